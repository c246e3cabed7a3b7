import { REFERENCE_AIR } from '../air';
import { PAINT_SYSTEM_KEYS, type PaintSystemKey } from '../finish';
import { filmBond } from '../masking';
import { chooseTape } from '../runs';
import type { BodySide } from '../tape';
import { ageKey, choiceKey, lengthKey, minutesKey, optional, temperatureKey } from './key';
import { question, refuseAt } from './question';

/** Arc length used for the check, mm; the verdict does not depend on it. */
const ARC_MM = 100;

export const which = question({
  name: 'which',
  keys: {
    radius: optional(lengthKey('120')),
    body: optional(choiceKey('outside', ['inside', 'outside']), 'outside'),
    paint: choiceKey('two-part', PAINT_SYSTEM_KEYS),
    ageMinutes: ageKey('2880'),
    stays: optional(minutesKey('300'), 300),
    surface: optional(temperatureKey('20'), 20),
    edge: optional(choiceKey('crisp', ['crisp', 'rough']), 'crisp'),
  },
  ways: [],
  answer: ({ radius, body, paint, ageMinutes, stays, surface, edge }, shelf) => {
    const [staysMin, surfaceC] = [stays as number, surface as number];
    const curvature = radius === undefined ? 0 : 1 / radius;
    const bondN25 = filmBond(
      {
        system: paint as PaintSystemKey,
        finish: null,
        ageMin: (ageMinutes as number) + staysMin,
        onBarePlastic: false,
      },
      REFERENCE_AIR,
    );
    const choice = chooseTape(
      shelf.tapes.filter(({ rolls }) => rolls !== 0),
      {
        samples: [0, ARC_MM].map((along) => ({ at: along, curvature })),
        side: (body as BodySide) === 'inside' ? 'left' : 'right',
        crisp: edge === 'crisp',
        exactWidthMm: null,
        roomMm: Infinity,
        surfaceC,
        airC: surfaceC,
        staysMin,
        bondN25,
        model: false,
      },
    );
    if (!choice) return refuseAt('edge', { code: 'ask.no-tape-fits', values: {} });
    const { tape, fit, hold, deTack, doubts } = choice;
    return {
      ok: true,
      value: { tape: tape.code, name: tape.name, verdict: fit.verdict, meanStretch: fit.stretch, hold, deTack, doubts },
    };
  },
});
