import { dewMargin, dewPoint } from '../drying';
import { RULE_OF_THUMB } from '../units';
import { humidityKey, optional, temperatureKey } from './key';
import { question } from './question';

export const dew = question({
  name: 'dew',
  title: 'Is it too damp to paint?',
  about: 'A surface near the dew point of the air gets wet: tape lets go and paint blushes.',
  keys: {
    air: temperatureKey({ label: 'Air', example: '18' }),
    rh: humidityKey({ label: 'Humidity', example: '80' }),
    surface: optional(temperatureKey({ label: 'Surface of the part', example: '16' })),
  },
  ways: [],
  answer: ({ air, rh, surface }) => {
    const [airC, rhPercent] = [air as number, rh as number];
    if (surface === undefined) return { ok: true, value: { dewPointC: dewPoint(airC, rhPercent), rhPercent } };
    return { ok: true, value: { ...dewMargin(airC, rhPercent, surface), rhPercent } };
  },
  words: (answer: { dewPointC: number; rhPercent: number; marginC?: number; ok?: boolean }) => ({
    headline: answer.ok === undefined ? `Dew point ${answer.dewPointC.toFixed(1)} °C` : answer.ok ? 'Dry enough' : 'Too near the dew point',
    tone: answer.ok === false ? 'bad' : 'good',
    rows: [
      { label: 'Dew point', value: `${answer.dewPointC.toFixed(1)} °C` },
      ...(answer.marginC === undefined ? [] : [{ label: `Surface above it (needs ${RULE_OF_THUMB.dewMarginC} °C)`, value: `${answer.marginC.toFixed(1)} °C` }]),
    ],
  }),
});
