import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { SHIPPED_SHELF } from '../job';
import { answer, faults } from '../testing/ask';
import { ask, QUESTIONS } from '.';
import { exampleInput } from './question';

describe('every question', () => {
  it.each(
    QUESTIONS.flatMap((question) =>
      (question.ways.length > 0 ? question.ways : [undefined]).map(
        (way) => [question.name, way?.name ?? 'its example', question, way] as const,
      ),
    ),
  )('%s is answered for %s, in words', (name, _, question, way) => {
    const value = answer(name, exampleInput(question, way));
    const words = wordsFor().question(name).answer(value);
    expect(words.headline.length).toBeGreaterThan(3);
    expect(words.rows.length).toBeGreaterThan(0);
    expect(JSON.stringify(words)).not.toMatch(/NaN|undefined|null/);
  });

  it('never throws and never answers with NaN, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUESTIONS),
        fc.array(fc.oneof(fc.string(), fc.double(), fc.constant('5'), fc.constant('0.1')), {
          minLength: 16,
          maxLength: 16,
        }),
        (question, typed) => {
          const input = Object.fromEntries(
            Object.keys(question.keys).map((key, index) => [key, typed[index % typed.length]]),
          );
          const result = ask(question.name, input);
          return result.ok ? !JSON.stringify(result.value).includes('NaN') : result.faults.length > 0;
        },
      ),
    );
  });

  it.each(QUESTIONS.map(({ name }) => name))('%s names a key it does not know, and one that is missing', (name) => {
    const said = faults(name, { colour: 'blue' }).join('\n');
    expect(said).toMatch(/^colour: is not known here/m);
    expect(said).toMatch(/: is missing; accepts/);
  });
});

it('bend answers the worked figure by width and by tape alike', () => {
  const figures = answer('bend', { radius: '120', width: 6, stretch: 0.15, fold: '0.5%' });
  expect(figures).toEqual(answer('bend', { radius: '4 92/127"', tape: 'V6', body: 'outside' }));
  expect(figures).toMatchObject({ verdict: 'stretch', outerStrain: 0.04475, meanStretch: 0.019875 });
});
it('bend takes a tape or its figures, not both, and knows its shelf', () => {
  expect(faults('bend', { radius: 10, tape: 'V6', width: 3 }).join()).toMatch(/cannot be given together/);
  expect(faults('bend', { radius: 10, tape: 'Z9' }).join()).toMatch(/^tape: there is no tape "Z9"/);
  expect(faults('bend', { radius: -4, tape: 'V6' })).toEqual([expect.stringMatching(/^radius: must be above 0/)]);
  expect(faults('bend', { radius: 10 })).toEqual([
    expect.stringMatching(/^tape: is missing.*or give width, stretch, fold/),
  ]);
});
it('facets answers the worked figure', () =>
  expect(answer('facets', { radius: 200, slack: 3, arc: 314 })).toMatchObject({
    pieces: 5,
    facetLengthMm: expect.closeTo(69.02, 2),
  }));
it('facets refuses a slack beyond the bend', () =>
  expect(faults('facets', { radius: 10, slack: 20, arc: 5 })).toEqual([expect.stringMatching(/^slack:/)]));
it('hold tells the level, what makes it safe, and from when it is', () => {
  // Enamel holds 12.5 when it is dry through after a day, 25 when it has cured after a week; soft vinyl grips with 6, a little more as it stays.
  expect(answer('hold', { tape: 'V6', paint: 'can-enamel', ageMinutes: 1440, stays: 0 })).toMatchObject({
    hold: 'test',
    deTack: 1,
    outstays: false,
  });
  const { safeFromMin } = answer('hold', { tape: 'V6', paint: 'can-enamel', ageMinutes: 1440, stays: 0 }) as {
    safeFromMin: number;
  };
  expect(safeFromMin).toBeCloseTo(1440 + ((15 - 12.5) / 12.5) * (168 * 60 - 1440), 3);
  expect(answer('hold', { tape: 'V6', paint: 'can-enamel', ageMinutes: safeFromMin + 1, stays: 0 })).toMatchObject({
    hold: 'safe',
    deTack: null,
  });
  expect(answer('hold', { tape: 'C18', paint: 'air-acrylic', ageMinutes: 100_000, stays: 2000 })).toMatchObject({
    hold: 'no',
    safeFromMin: null,
    outstays: true,
  });
  expect(faults('hold', { tape: 'Q9', paint: 'dope', ageMinutes: 1 }).join()).toMatch(/^tape: /);
});
it('which chooses of the shelf by bend, paint and day', () => {
  expect(answer('which', { radius: 120, paint: 'two-part', ageMinutes: 20_000 })).toMatchObject({
    tape: 'V6',
    hold: 'safe',
    verdict: 'stretch',
  });
  expect(answer('which', { paint: 'two-part', ageMinutes: 20_000 })).toMatchObject({
    tape: 'F19',
    verdict: 'lays',
    doubts: [],
  });
  expect(answer('which', { radius: 25, body: 'outside', paint: 'two-part', ageMinutes: 20_000 })).toMatchObject({
    tape: 'V1.5',
  });
  // On a delicate film a gentle tape goes before a hard-gripping one.
  expect(answer('which', { paint: 'air-acrylic', ageMinutes: 20_000 })).toMatchObject({ tape: 'W18', hold: 'safe' });
  expect(answer('which', { paint: 'two-part', ageMinutes: 20_000, surface: 2 }).doubts).toEqual([
    expect.objectContaining({ code: 'doubt.cold' }),
  ]);
});
it('disc sets the cutter for a disc and a ring', () =>
  expect(answer('disc', { diameter: 120 })).toEqual({
    discMm: 130,
    discCutterMm: 65,
    ringInnerMm: 120,
    ringOuterMm: 160,
    innerCutterMm: 60,
    outerCutterMm: 80,
  }));
it('the mouth of a box is closed with four lists of lengths', () => {
  // 440 × 600: the base lies 1.5 mm inside, 437 × 597; 2068 mm round, dabbed every 120 mm.
  expect(answer('opening', { use: 'box', width: 440, height: 600 })).toEqual({
    closing: 'opening.box',
    insetMm: 1.5,
    baseMm: 2068,
    dabs: 18,
    sideMm: 630,
    topMm: 470,
    widthMm: 480,
    heightMm: 640,
    capMm: 2080,
  });
});
it('opening tells how it is closed, round or with corners, and on a model', () => {
  expect(answer('opening', { use: 'hole', diameter: 120 })).toEqual({
    closing: 'opening.disc',
    into: false,
    discMm: 120,
  });
  expect(answer('opening', { use: 'gap', width: 900, height: 8 })).toEqual({
    closing: 'opening.foam-strip',
    foamMm: 10,
    lengthMm: 900,
  });
  expect(answer('opening', { use: 'window', width: 8, height: 6, scale: 72 })).toEqual({
    closing: 'opening.pane',
    widthMm: 8,
    heightMm: 6,
    strips: 1,
    sealed: true,
  });
  expect(faults('opening', { use: 'hole', diameter: 10, width: 5, height: 5 }).length).toBeGreaterThan(0);
});
it('dome answers on the limit', () =>
  expect(answer('dome', { radius: 90, width: 18, fold: 0.005 })).toEqual({
    pleatStrain: 0.005,
    lays: true,
    widestMm: 18,
  }));
it('dew answers with and without a surface', () => {
  expect(answer('dew', { air: '23 °C', rh: '50%' })).toEqual({ dewPointC: expect.closeTo(12.02, 2), rhPercent: 50 });
  expect(answer('dew', { air: 18, rh: 0.8, surface: 18 })).toMatchObject({ marginC: expect.closeTo(3.5, 2), ok: true });
});
it('windows answers for a finish and for its figures alike', () => {
  const finish = SHIPPED_SHELF.finishes.find(({ id }) => id === 'tomato-can');
  const byFigures = answer('windows', {
    flash: finish?.flashMin,
    touch: 45,
    tapeSafe: 1440,
    through: 1440,
    activation: 45,
    air: 15,
    rh: 60,
  });
  expect(byFigures).toEqual(
    answer('windows', { finish: 'tomato-can', air: '15', rh: '60', move: 'normal', buildFactor: 1, dwell: 72 }),
  );
  expect(
    answer('windows', { flash: 10, touch: 20, tapeSafe: 30, through: 60, activation: 50, air: 15, rh: 50 }),
  ).toMatchObject({
    rate: expect.closeTo(0.569, 3),
    wet: { from: 0, to: expect.closeTo(4 / 0.569, 1) },
  });
});
it('refuses a question it does not know, and input that is no object', () => {
  expect(faults('moon', {})).toEqual([expect.stringMatching(/there is no question "moon"/)]);
  expect(faults('bend', null)).toEqual([expect.stringMatching(/needs an object/)]);
  expect(faults('bend', [1])).toHaveLength(1);
});

describe('setting out', () => {
  it('bands finds the one that is left out', () => {
    expect(answer('bands', { length: 1200, count: 5, width: 120, gap: '?', margin: 60 })).toMatchObject({
      gapMm: 120,
      lengthMm: 1200,
    });
    expect(answer('bands', { length: '?', count: 3, width: 10, gap: 0, margin: 0 })).toMatchObject({ lengthMm: 30 });
    expect(faults('bands', { length: 1200, count: '?', width: 120, gap: 100, margin: 60 }).join()).toMatch(
      /^count: 5.36 bands.*5 of 120 mm.*6 of 120 mm/,
    );
    expect(faults('bands', { length: 1200, count: '?', width: '?', gap: 100, margin: 60 }).join()).toMatch(
      /exactly one/,
    );
    expect(faults('bands', { length: 1200, count: 2.5, width: 10, gap: '?', margin: 60 }).join()).toMatch(
      /^count: 2.5 is not whole/,
    );
  });
  it('scale answers the worked figure, best first', () => {
    const { modelMm, choices } = answer('scale', { real: 300, scale: '1:72', tapes: '1, 2, 4 5' }) as {
      modelMm: number;
      choices: { tapes: number[]; errorShare: number }[];
    };
    expect(modelMm).toBeCloseTo(4.167, 3);
    expect(choices[0]).toMatchObject({ tapes: [4], errorShare: expect.closeTo(-0.04, 6) });
    expect(answer('scale', { real: 360, scale: 72, tapes: [2, 3] })).toMatchObject({
      choices: [{ tapes: [2, 3], errorMm: 0 }, {}, {}, {}, {}],
    });
    expect(faults('scale', { real: 300, scale: 0.5, tapes: '1' }).join()).toMatch(/^scale:/);
    expect(faults('scale', { real: 300, scale: 72, tapes: '1, wide' }).join()).toMatch(
      /^tapes: "wide" is not a length/,
    );
  });
  it('cone and ring answer the worked figures, and know a tube', () => {
    expect(answer('cone', { d1: 90, d2: 40, length: 120 })).toMatchObject({
      sinHalfAngle: expect.closeTo(0.20395, 5),
      apexToBigMm: expect.closeTo(220.64, 2),
    });
    expect(answer('cone', { d1: 50, d2: 50, length: 120 })).toMatchObject({
      apexToSmallMm: null,
      apexToBigMm: null,
      sectorDeg: 0,
      slantMm: 120,
    });
    expect(faults('cone', { d1: 0, d2: 0, length: 120 })).toHaveLength(1);
    const tape = { width: 6, stretch: 0.15, fold: 0.005 };
    const small = answer('ring', { d1: 40, d2: 90, length: 120, at: 0, ...tape });
    expect(small).toMatchObject({
      sheetRadiusMm: expect.closeTo(98.06, 2),
      girthMm: expect.closeTo(40 * Math.PI, 6),
      verdict: 'stretch',
    });
    const bent = answer('bend', { radius: small.sheetRadiusMm, ...tape });
    expect(small.meanStretch).toBeCloseTo(bent.meanStretch as number, 9);
    expect(answer('ring', { d1: 60, d2: 60, length: 120, at: 40, ...tape })).toMatchObject({
      sheetRadiusMm: null,
      verdict: 'lays',
      meanStretch: 0,
    });
    expect(faults('ring', { d1: 60, d2: 60, length: 120, at: 140, ...tape })).toEqual([
      expect.stringMatching(/^at: lies beyond/),
    ]);
  });
  it('level follows its formula, and says where it misses', () => {
    const { table } = answer('level', { diameter: 200, height: 50, pitch: 10, length: 1000, step: 250 }) as {
      table: { x: number; angleDeg: number | null; girthFromTopMm: number | null }[];
    };
    expect(table.map(({ x }) => x)).toEqual([0, 250, 500, 750, 1000]);
    const pitch = (10 * Math.PI) / 180;
    for (const { x, angleDeg, girthFromTopMm } of table) {
      const cos = (50 - x * Math.sin(pitch)) / (100 * Math.cos(pitch));
      if (Math.abs(cos) > 1) expect([angleDeg, girthFromTopMm]).toEqual([null, null]);
      else
        expect([angleDeg, girthFromTopMm]).toEqual([
          expect.closeTo((Math.acos(cos) * 180) / Math.PI, 6),
          expect.closeTo(Math.acos(cos) * 100, 6),
        ]);
    }
    expect(table[4]!.angleDeg).toBeNull();
    expect(faults('level', { diameter: 200, height: 50, pitch: 10, length: 1000, step: 0.1 }).join()).toMatch(
      /^step: gives more than/,
    );
  });
  it('wrap adds the thickness on both sides', () =>
    expect(answer('wrap', { diameter: 60, thickness: 500, overlap: 8 })).toMatchObject({
      lengthMm: expect.closeTo(Math.PI * 61 + 8, 6),
    }));
  it('stations keep their chords within the tolerance', () => {
    const { table } = answer('stations', { points: '0 0, 500 200, 1000 0', step: 250 }) as {
      table: { alongMm: number; extra: boolean }[];
    };
    expect(table.filter(({ extra }) => !extra).map(({ alongMm }) => alongMm)).toEqual([0, 250, 500, 750, 1000]);
    expect(table.some(({ extra }) => extra)).toBe(true);
    expect(faults('stations', { points: '0 0', step: 250 }).join()).toMatch(/^points: needs 2 to 200/);
  });
  it('tells how many strips to paint before the first is pulled, or what would make it possible', () => {
    expect(answer('batch', { paint: 5, pull: 3, from: 10, to: 20, strips: 8 })).toMatchObject({
      feasible: true,
      paintAhead: 4,
    });
    expect(answer('batch', { paint: 5, pull: 12, from: 10, to: 20, strips: 3 })).toMatchObject({
      feasible: false,
      totalMinutes: null,
      reason: { code: 'batch.pull-too-long', values: { longestPullMin: 10, leastToMin: 22 } },
    });
    expect(ask('batch', { paint: 5, pull: 12, from: 10, to: 8, strips: 3 })).toMatchObject({
      ok: false,
      faults: [{ path: 'to' }],
    });
  });
  it('every sketch has places to draw', () => {
    for (const question of QUESTIONS) {
      const sketch = question.sketch?.(answer(question.name, exampleInput(question)));
      if (sketch)
        expect(
          sketch.strokes.flatMap(({ points }) => points).every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)),
        ).toBe(true);
    }
  });
});
