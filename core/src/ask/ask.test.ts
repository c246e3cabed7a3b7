import fc from 'fast-check';
import { SHIPPED_SHELF } from '../job';
import { ask, exampleInput, QUESTIONS } from '.';

const answer = (name: string, input: Record<string, unknown>) => {
  const result = ask(name, input);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
};
const faults = (name: string, input: unknown) => {
  const result = ask(name, input);
  return result.ok ? [] : result.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('every question', () => {
  it.each(
    QUESTIONS.flatMap((question) =>
      (question.ways.length > 0 ? question.ways : [undefined]).map((way) => [question.name, way?.label ?? 'its example', question, way] as const),
    ),
  )('%s is answered for %s, in words', (name, _, question, way) => {
    const value = answer(name, exampleInput(question, way));
    const words = question.words(value);
    expect(words.headline.length).toBeGreaterThan(3);
    expect(words.rows.length).toBeGreaterThan(0);
    expect(JSON.stringify(words)).not.toMatch(/NaN|undefined|null/);
  });

  it('never throws and never answers with NaN, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUESTIONS),
        fc.array(fc.oneof(fc.string(), fc.double(), fc.constant('5'), fc.constant('0.1')), { minLength: 16, maxLength: 16 }),
        (question, typed) => {
          const input = Object.fromEntries(Object.keys(question.keys).map((key, index) => [key, typed[index % typed.length]]));
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
  expect(faults('bend', { radius: 10 })).toEqual([expect.stringMatching(/^tape: is missing.*or give width, stretch, fold/)]);
});
it('facets answers the worked figure', () =>
  expect(answer('facets', { radius: 200, slack: 3, arc: 314 })).toMatchObject({ pieces: 5, facetLengthMm: expect.closeTo(69.02, 2) }));
it('facets refuses a slack beyond the bend', () => expect(faults('facets', { radius: 10, slack: 20, arc: 5 })).toEqual([expect.stringMatching(/^slack:/)]));
it('dome answers on the limit', () => expect(answer('dome', { radius: 90, width: 18, fold: 0.005 })).toEqual({ pleatStrain: 0.005, lays: true, widestMm: 18 }));
it('dew answers with and without a surface', () => {
  expect(answer('dew', { air: '23 °C', rh: '50%' })).toEqual({ dewPointC: expect.closeTo(12.02, 2), rhPercent: 50 });
  expect(answer('dew', { air: 18, rh: 0.8, surface: 18 })).toMatchObject({ marginC: expect.closeTo(3.5, 2), ok: true });
});
it('windows answers for a finish and for its figures alike', () => {
  const finish = SHIPPED_SHELF.finishes.find(({ id }) => id === 'tomato-can');
  const byFigures = answer('windows', { flash: finish?.flashMin, touch: 45, tapeSafe: 1440, through: 1440, activation: 45, air: 15, rh: 60 });
  expect(byFigures).toEqual(answer('windows', { finish: 'tomato-can', air: '15', rh: '60', move: 'normal', buildFactor: 1, dwell: 72 }));
  expect(answer('windows', { flash: 10, touch: 20, tapeSafe: 30, through: 60, activation: 50, air: 15, rh: 50 })).toMatchObject({
    rate: expect.closeTo(0.569, 3),
    wet: { from: 0, to: expect.closeTo(4 / 0.569, 1) },
  });
});
it('refuses a question it does not know, and input that is no object', () => {
  expect(faults('moon', {})).toEqual([expect.stringMatching(/there is no question "moon"/)]);
  expect(faults('bend', null)).toEqual([expect.stringMatching(/needs an object/)]);
  expect(faults('bend', [1])).toHaveLength(1);
});
