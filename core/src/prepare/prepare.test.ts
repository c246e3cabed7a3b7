import { type PaintSystemKey, typicalFinish } from '../finish';
import type { Part } from '../job';
import { gritFor } from './abrading';
import { primerFor } from './bare';
import { cleanerFor } from './cleaner';
import { preparationTasks, type PreparedPart } from './preparation';

const AIR = { airC: 20, rhPercent: 50, surfaceC: null, movement: 'normal' } as const;
const on = (substrate: Part['substrate'], system: PaintSystemKey | 'bare', ageH = 9000) => ({
  substrate,
  present: { system, colour: '#808080', ageH },
});
const finish = (system: PaintSystemKey, effect: 'solid' | 'pearl' = 'solid') =>
  typicalFinish('f', 'F', system, '#2f6f62', 40, effect);

describe('what a surface is washed with', () => {
  it.each([
    ['cured paint', on('steel', 'two-part'), 'wax-grease'],
    ['paint younger than its cure', on('steel', 'two-part', 30), 'water'],
    ['bare steel', on('steel', 'bare'), 'alcohol'],
    ['bare melamine', on('melamine', 'bare'), 'alcohol'],
    ['bare gelcoat', on('gelcoat', 'bare'), 'dewax'],
    ['painted gelcoat', on('gelcoat', 'two-part'), 'wax-grease'],
    ['a styrene model, painted', on('styrene', 'air-lacquer', 72), 'soap'],
    ['a print, bare', on('print', 'bare'), 'soap'],
    ['doped fabric', on('fabric', 'dope'), 'soap-water'],
    ['varnish', on('varnished-wood', 'varnish'), 'thinner'],
  ])('%s', (_, part, cleaner) => expect(cleanerFor(part, AIR)).toBe(cleaner));
});

describe('how fine a surface is abraded', () => {
  it.each([
    ['basecoat over cured clear', finish('base-solvent'), 'clear-two-part', 'steel', 'p500'],
    ['solid two-part', finish('two-part'), 'two-part', 'steel', 'p400'],
    ['a pearl', finish('base-solvent', 'pearl'), 'two-part', 'steel', 'p800'],
    ['can paint over primer', finish('can-enamel'), 'etch-primer', 'steel', 'p320-wet'],
    ['bare gelcoat', finish('two-part'), null, 'gelcoat', 'p240'],
    ['antifouling', finish('antifouling'), 'antifouling', 'gelcoat', 'wet-only'],
    ['bare styrene', finish('air-acrylic'), null, 'styrene', null],
    ['painted styrene', finish('air-acrylic'), 'can-lacquer', 'styrene', 'p1000'],
    ['peelable', finish('peelable'), 'two-part', 'steel', null],
  ] as const)('%s', (_, upper, below, substrate, grit) => expect(gritFor(upper, below, substrate)).toBe(grit));
});

describe('what a job calls for before any tape', () => {
  const part = (id: string, first: PaintSystemKey | null, rest: ReturnType<typeof on>): PreparedPart => ({
    id,
    substrate: rest.substrate,
    areas: [
      { first: first && finish(first), sizeM2: 2, present: rest.present },
      { first: null, sizeM2: 1, present: rest.present },
    ],
  });
  it('nothing of a part that gets no paint', () =>
    expect(preparationTasks([part('a', null, on('steel', 'two-part'))], AIR)).toEqual({
      washes: [],
      abrading: [],
      warmMin: 0,
      minutes: 0,
    }));
  it('a wash of the whole part, and a key where paint goes', () => {
    const { washes, abrading, minutes } = preparationTasks(
      [part('a', 'two-part', on('steel', 'two-part')), part('b', 'two-part', on('steel', 'two-part'))],
      AIR,
    );
    expect(washes).toEqual([{ cleaner: 'wax-grease', parts: ['a', 'b'], minutes: 4 + 3 * 6 }]);
    expect(abrading).toMatchObject([
      {
        grit: 'p400',
        places: [
          { part: 'a', area: 0 },
          { part: 'b', area: 0 },
        ],
      },
    ]);
    expect(minutes).toBeCloseTo(22 + 5 + 8 * 4, 9);
  });
  it('one wash for each cleaner', () =>
    expect(
      preparationTasks(
        [part('a', 'two-part', on('steel', 'two-part')), part('b', 'air-acrylic', on('styrene', 'bare'))],
        AIR,
      ).washes.map(({ cleaner }) => cleaner),
    ).toEqual(['wax-grease', 'soap']));
  it('each area by what is on it', () => {
    const one = part('a', 'two-part', on('steel', 'two-part'));
    const spot: PreparedPart = {
      ...one,
      areas: [...one.areas, { first: finish('two-part'), sizeM2: 0.1, present: on('steel', 'bare').present }],
    };
    const { washes, abrading } = preparationTasks([spot], AIR);
    expect(washes.map(({ cleaner }) => cleaner)).toEqual(['wax-grease', 'alcohol']);
    expect(abrading.map(({ grit, places }) => [grit, places.map(({ area }) => area)])).toEqual([
      ['p400', [0]],
      ['p240', [2]],
    ]);
  });
  it('no key under peelable, whatever it goes over', () => {
    for (const below of ['two-part', 'can-enamel', 'air-acrylic'] as const)
      expect(preparationTasks([part('a', 'peelable', on('steel', below))], AIR).abrading).toEqual([]);
  });
  it('no key where a film is still in its window', () =>
    expect(preparationTasks([part('a', 'two-part', on('steel', 'two-part', 2))], AIR).abrading).toEqual([]));
  it('a night in the warm where it is cold', () => {
    const cold = preparationTasks([part('a', 'two-part', on('steel', 'two-part'))], { ...AIR, airC: 8 });
    expect(cold.warmMin).toBe(720);
    expect(preparationTasks([part('a', 'two-part', on('steel', 'two-part'))], { ...AIR, surfaceC: 9 }).warmMin).toBe(
      720,
    );
  });
});

describe('a bare substrate', () => {
  it.each([
    ['steel', 'two-part', 'etch-primer'],
    ['steel', 'etch-primer', null],
    ['aluminium', 'filler-primer', 'etch-primer'],
    ['wood', 'varnish', null],
    ['wood', 'brush-enamel', 'filler-primer'],
    ['fabric', 'dope', null],
    ['fabric', 'can-enamel', 'dope'],
    ['gelcoat', 'two-part', null],
    ['styrene', 'air-acrylic', 'filler-primer'],
    ['steel', 'peelable', null],
  ] as const)('%s under %s wants %s', (substrate, first, primer) => expect(primerFor(substrate, first)).toBe(primer));
});
