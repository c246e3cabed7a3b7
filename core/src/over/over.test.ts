import { PAINT_SYSTEM_KEYS, type PaintSystemKey } from '../finish';
import { typicalAgeMarks } from './marks';
import { compatibilityOf } from './over';
import { pairRule } from './pairs';

const AIR = { airC: 23, rhPercent: 50, movement: 'normal' } as const;
const HOUR = 60;
const DAY = 24 * HOUR;
const AGES = [0, 1, 11, 30, HOUR, 5 * HOUR, 13 * HOUR, 30 * HOUR, 50 * HOUR, 8 * DAY, 20 * DAY, 400 * DAY];

const over = (lower: PaintSystemKey, upper: PaintSystemKey, ageMin: number, known = true) =>
  compatibilityOf({ marks: typicalAgeMarks(lower, AIR), ageMin, known }, upper);
const answers = (lower: PaintSystemKey, upper: PaintSystemKey) => AGES.map((age) => over(lower, upper, age).answer);
const others = (...but: PaintSystemKey[]) => PAINT_SYSTEM_KEYS.filter((key) => !but.includes(key));

// The ten rules of the trade, one by one.
describe('over-rules', () => {
  it('over antifouling goes antifouling that is known, and nothing else', () => {
    for (const upper of others('antifouling')) expect(new Set(answers('antifouling', upper))).toEqual(new Set(['no']));
    expect(over('antifouling', 'antifouling', 20 * DAY).answer).toBe('yes');
    expect(over('antifouling', 'antifouling', 20 * DAY, false).answer).toBe('barrier');
    expect(over('boottop', 'two-part', 20 * DAY).reason.code).not.toBe('over.sheds');
  });
  it('over peelable goes peelable, and nothing else', () => {
    for (const upper of others('peelable')) expect(new Set(answers('peelable', upper))).toEqual(new Set(['no']));
    expect(over('peelable', 'peelable', 30).answer).toBe('yes');
  });
  it('nothing is ever abraded under peelable: it waits for the cure, then goes on what is cleaned', () => {
    for (const lower of PAINT_SYSTEM_KEYS) expect(answers(lower, 'peelable')).not.toContain('abrade');
    expect([over('two-part', 'peelable', 6 * DAY).answer, over('two-part', 'peelable', 8 * DAY).answer]).toEqual([
      'no',
      'yes',
    ]);
    expect(over('two-part', 'peelable', 400 * DAY).reason.code).toBe('over.peelable-clean');
  });
  it('dope goes on dope; not on enamel, varnish or two-part, and not on lacquer without a barrier', () => {
    expect(over('dope', 'dope', 400 * DAY).answer).toBe('yes');
    for (const lower of ['can-enamel', 'brush-enamel', 'varnish', 'two-part', 'boottop'] as const)
      expect(new Set(answers(lower, 'dope'))).toEqual(new Set(['no']));
    expect(new Set(answers('air-lacquer', 'dope'))).toEqual(new Set(['barrier']));
    expect(new Set(answers('dope', 'two-part'))).toEqual(new Set(['no']));
  });
  it('hot solvents wait for the cure of an oxidising film, then for a key; acrylic is parted from them', () => {
    for (const lower of ['can-enamel', 'brush-enamel', 'varnish'] as const)
      for (const upper of ['can-lacquer', 'air-lacquer', 'base-solvent'] as const) {
        const { cureMin } = typicalAgeMarks(lower, AIR);
        expect(over(lower, upper, (cureMin ?? 0) - 1)).toMatchObject({ answer: 'no', untilMin: cureMin });
        expect(over(lower, upper, (cureMin ?? 0) + 1).answer).toBe('abrade');
      }
    expect(new Set(answers('air-acrylic', 'can-lacquer'))).toEqual(new Set(['barrier']));
    expect(new Set(answers('base-water', 'air-lacquer'))).toEqual(new Set(['barrier']));
  });
  it('two-part goes on reacting films in their window, keyed after it, and on a basecoat in its window', () => {
    expect([10, HOUR, 13 * HOUR, 20 * DAY].map((age) => over('two-part', 'clear-two-part', age).answer)).toEqual([
      'wait',
      'yes',
      'abrade',
      'abrade',
    ]);
    expect([20 * HOUR, 25 * HOUR].map((age) => over('base-solvent', 'clear-two-part', age).answer)).toEqual([
      'yes',
      'abrade',
    ]);
    for (const lower of ['can-enamel', 'can-lacquer', 'air-acrylic'] as const)
      expect([over(lower, 'two-part', HOUR).answer, over(lower, 'two-part', 400 * DAY).answer]).toEqual([
        'no',
        'barrier',
      ]);
  });
  it('enamels keep their windows over themselves, and scuff what shines', () => {
    expect([30, 5 * HOUR, 50 * HOUR, 400 * DAY].map((age) => over('can-enamel', 'brush-enamel', age).answer)).toEqual([
      'yes',
      'wait',
      'yes',
      'abrade',
    ]);
    expect([30, 50 * HOUR].map((age) => over('can-lacquer', 'can-enamel', age).answer)).toEqual(['wait', 'abrade']);
    expect([over('air-lacquer', 'can-enamel', 30).answer, over('two-part', 'can-enamel', 13 * HOUR).answer]).toEqual([
      'yes',
      'abrade',
    ]);
  });
  it('airbrush acrylic goes on primer, lacquer and acrylic as they are, on what shines scuffed; waterborne base on what is keyed', () => {
    for (const lower of ['etch-primer', 'filler-primer', 'air-lacquer', 'air-acrylic'] as const)
      expect(over(lower, 'air-acrylic', 20 * DAY).answer).toBe('yes');
    for (const lower of ['can-lacquer', 'can-enamel', 'two-part'] as const)
      expect(over(lower, 'air-acrylic', 20 * DAY).answer).toBe('abrade');
    expect(over('two-part', 'base-water', 20 * DAY).answer).toBe('abrade');
  });
  it('etch primer goes on nothing but metal and itself', () => {
    for (const lower of others('etch-primer', 'antifouling', 'peelable'))
      expect(new Set(answers(lower, 'etch-primer'))).toEqual(new Set(['no']));
    expect(compatibilityOf({ marks: null, ageMin: 0, known: true }, 'etch-primer').answer).toBe('yes');
    expect(over('etch-primer', 'filler-primer', 30).answer).toBe('yes');
  });
  it('varnish goes on varnish in its window, and on cured paint that is keyed', () => {
    expect([2 * HOUR, 5 * HOUR, 20 * HOUR, 20 * DAY].map((age) => over('varnish', 'varnish', age).answer)).toEqual([
      'no',
      'wait',
      'yes',
      'abrade',
    ]);
    expect([over('two-part', 'varnish', DAY).answer, over('two-part', 'varnish', 20 * DAY).answer]).toEqual([
      'no',
      'abrade',
    ]);
  });
  it('a pair nobody considered is never a yes', () => {
    expect(pairRule('dope', 'air-acrylic')).toEqual({ kind: 'barrier', reason: 'over.not-known' });
    expect(answers('dope', 'air-acrylic')).not.toContain('yes');
  });
  it('only grows kinder or asks for more once a window has closed, and says when it does', () => {
    for (const lower of PAINT_SYSTEM_KEYS)
      for (const upper of PAINT_SYSTEM_KEYS)
        for (const age of AGES) {
          const { answer, untilMin, window } = over(lower, upper, age);
          if (untilMin !== null) {
            expect(untilMin).toBeGreaterThan(age);
            expect(over(lower, upper, untilMin).answer).not.toBe(answer);
          }
          if (answer === 'yes' && window?.toMin) expect(over(lower, upper, window.toMin + 1).answer).not.toBe('yes');
        }
  });
});
