import { planFaults } from '../check';
import type { Plan } from '../contract';
import { isOpeningTape, plugsIn } from '../items';
import { SHIPPED_SHELF } from '../job';
import { sumOf } from '../kit';
import { closingMin, closingTapes } from '../masking';
import { panel, panelJob, planned } from '../testing/panels';
import { planJob } from './plan';

const box = {
  kind: 'opening',
  id: 'o',
  name: 'Locker',
  datum: 'base',
  use: 'box',
  shape: { kind: 'window', at: { along: 100, above: 100 }, width: 200, height: 100, corner: 0 },
} as const;
const job = (use: 'box' | 'window' | 'post' | 'recess' | 'hole', count = 1) =>
  panelJob([panel('p', 600, 400, { count, features: [{ ...box, use }] })], [['p', 300, 300, 'cream-two-part']]);
const mouths = ({ items }: Plan) => items.filter(isOpeningTape);

describe('tapes that close an opening', () => {
  const plan = planned(job('box', 3));
  it('of a box are laid inside, then lip, film, cap; the film is what is counted', () => {
    const step = plan.steps.find(({ kind }) => kind === 'plug')!;
    const kinds = step.items.map((id) => plan.items.find((item) => item.id === id)!.kind);
    expect(kinds).toEqual(['base', 'lip', 'plug', 'cap']);
    expect(plan.items.find(({ kind }) => kind === 'cap')!.after).toEqual([plugsIn(plan.items)[0]!.id]);
    expect(step.say).toMatchObject({ code: 'step.plug', values: { plugs: 3 } });
    expect(planFaults(plan)).toEqual([]);
  });
  it('have the four lists of lengths: 1.5 mm inside the mouth, the cap lapping over at each corner', () => {
    const inside = 2 * (200 - 3 + 100 - 3);
    expect(mouths(plan).map(({ kind, lengthMm, pieces, count }) => [kind, lengthMm, pieces, count])).toEqual([
      ['base', inside, 4, 3],
      ['lip', inside, 4, 3],
      ['cap', inside + 40, 4, 3],
    ]);
  });
  it('are of a kind made for rims, and are in the list of tape with all pieces', () => {
    expect(mouths(plan).every(({ tapeKind }) => tapeKind === 'X')).toBe(true);
    const need = plan.lists.tape.find(({ tape }) => tape === mouths(plan)[0]!.material)!;
    expect(need.pieces).toBe(3 * 12);
    expect(need.lengthM).toBeCloseTo((3 * sumOf(mouths(plan), ({ lengthMm }) => lengthMm)) / 1000, 6);
  });
  it('take together with what they hold the minutes of the opening', () => {
    for (const use of ['box', 'window', 'post', 'recess', 'hole'] as const) {
      const own = planned(job(use, 2)).items.filter((item) => isOpeningTape(item) || item.kind === 'plug');
      const [{ closing }] = plugsIn(own) as [ReturnType<typeof plugsIn>[number]];
      expect(own.filter(isOpeningTape).map(({ kind }) => kind)).toEqual(
        closingTapes(closing).map(({ use: what }) => what),
      );
      expect(sumOf(own, ({ layMin }) => layMin)).toBeCloseTo(2 * closingMin(closing), 9);
      expect(own.every(({ layMin }) => layMin >= 0)).toBe(true);
    }
  });
  it('are told as missing where there is no tape at all', () => {
    const bare = planJob(job('box'), { ...SHIPPED_SHELF, tapes: [] });
    expect(mouths(bare).every(({ material, doubts }) => material === null && doubts.length === 1)).toBe(true);
    expect(planFaults(bare)).toEqual([]);
  });
});
