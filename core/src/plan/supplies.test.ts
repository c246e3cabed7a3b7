import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Plan, SupplyNeed } from '../contract';
import { readJobFile, usedShelf } from '../formats';
import { ITEM_RULES, stockUse } from '../items';
import { supplyNeeds } from '../items/supply-needs';
import { type Shelf, SHIPPED_SHELF } from '../job';
import { sumOf } from '../kit';
import { closingFilmMm2 } from '../masking';
import { rollLengthM, SHIPPED_SUPPLIES, type Supply } from '../tape';
import { panel, panelJob, planned } from '../testing/panels';
import { planJob } from './plan';

const design = (name: string) => {
  const read = readJobFile(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.value.design;
};
const need = (
  { lists }: Pick<Plan, 'lists'>,
  kind: Supply['kind'],
  sizeMm: number | null = null,
): SupplyNeed | undefined => lists.supplies.find((supply) => supply.kind === kind && supply.sizeMm === sizeMm);
const stocked = (code: string, over: Partial<Supply>): Shelf => ({
  ...SHIPPED_SHELF,
  supplies: SHIPPED_SUPPLIES.map((supply) => (supply.code === code ? { ...supply, ...over } : supply)),
});

describe('what a job takes besides tape', () => {
  const tansy = planJob(design('tansy'), SHIPPED_SHELF);
  it('covers areas with paper and what is beyond with film, all of it', () => {
    const covers = tansy.items.flatMap((item) => (item.kind === 'cover' ? [item] : []));
    const closed = sumOf(tansy.items, (item) =>
      item.kind === 'plug' ? (closingFilmMm2(item.closing) * item.count) / 1e6 : 0,
    );
    expect((need(tansy, 'paper')?.amount ?? 0) + (need(tansy, 'film')?.amount ?? 0)).toBeCloseTo(
      sumOf(covers, ({ sizeM2 }) => sizeM2) + closed,
      5,
    );
    expect(need(tansy, 'film')!.amount).toBeCloseTo(
      sumOf(covers, ({ area, sizeM2 }) => (area === 'beyond' ? sizeM2 : 0)) + closed,
      5,
    );
  });
  it('takes foam by its thickness, for rims and openings', () => {
    const rims = tansy.items.flatMap((item) =>
      item.kind === 'rim' && item.material === 'foam' && item.widthMm === 10 ? [item] : [],
    );
    expect(need(tansy, 'foam', 10)).toMatchObject({ code: 'foam-10', pieces: sumOf(rims, ({ count }) => count) });
    expect(need(tansy, 'foam', 10)!.amount).toBeCloseTo(
      sumOf(rims, ({ lengthMm, count }) => (lengthMm * count) / 1000),
      5,
    );
  });
  it('stops what sticks out with a bag each, and a recess of a model with card that is sealed', () => {
    const shape = { kind: 'window', at: { along: 100, above: 100 }, width: 20, height: 10, corner: 0 } as const;
    const with_ = (use: 'lug' | 'recess', scale: number) =>
      planned(
        panelJob(
          [
            panel('p', 400, 300, {
              count: 3,
              features: [{ kind: 'opening', id: 'o', name: 'O', datum: 'base', use, shape }],
            }),
          ],
          [['p', 300, 200, 'cream-two-part']],
          {
            scale,
          },
        ),
      );
    expect(need(with_('lug', 1), 'bag')).toMatchObject({ amount: 3, code: 'bags' });
    expect(need(with_('recess', 72), 'card')!.amount).toBeCloseTo((3 * 19.8 * 9.8) / 1e6, 6);
    expect(need(with_('recess', 72), 'liquid-mask')!.amount).toBeCloseTo(
      (3 * 2 * (19.8 + 9.8) * ITEM_RULES.liquidMaskPerMetreMl) / 1000,
      6,
    );
    expect(need(with_('recess', 1), 'card')!.code).toBe('card');
  });
});

describe('packs', () => {
  const metres = (amount: number, supplies: readonly Supply[]) =>
    supplyNeeds(
      [{ kind: 'rim', material: 'foam', widthMm: 10, lengthMm: amount * 1000, count: 1 } as never],
      0,
      supplies,
    )[0]!;
  it('are whole, waste included, and missing only where they are counted', () => {
    expect(metres(47, SHIPPED_SUPPLIES)).toMatchObject({ code: 'foam-10', packs: 1, missing: null });
    expect(metres(48, SHIPPED_SUPPLIES)).toMatchObject({ packs: 2 });
    expect(metres(48, stocked('foam-10', { packs: 1 }).supplies!)).toMatchObject({ packs: 2, missing: 1 });
    expect(metres(48, stocked('foam-10', { packs: 2 }).supplies!)).toMatchObject({ missing: 0 });
  });
  it('come from the next larger size where there is none of it, and from nothing where there is none at all', () => {
    const without = SHIPPED_SUPPLIES.filter(({ code }) => code !== 'foam-10');
    expect(metres(5, without).code).toBe('foam-13');
    expect(metres(5, [])).toMatchObject({ amount: 5, code: null, packs: null });
  });
});

describe('what it costs', () => {
  const tansy = design('tansy');
  it('is by the prices of the shelf, each by its own measure', () => {
    const usual = planJob(tansy, SHIPPED_SHELF);
    const priced: Shelf = {
      tapes: SHIPPED_SHELF.tapes.map((tape) => ({ ...tape, rollPrice: 2 * rollLengthM(tape) })),
      finishes: SHIPPED_SHELF.finishes.map((finish) => ({ ...finish, pricePerL: 100 })),
      supplies: SHIPPED_SUPPLIES.map((supply) => ({ ...supply, packPrice: 3 * supply.pack })),
    };
    const { lists } = planJob(tansy, priced);
    expect(lists.cost.typical).toBe(false);
    expect(lists.cost.tape).toBeCloseTo(2 * sumOf(lists.tape, ({ lengthM }) => lengthM), 4);
    expect(lists.cost.supplies).toBeCloseTo(3 * sumOf(lists.supplies, ({ amount }) => amount), 4);
    expect(lists.cost.paint).toBeCloseTo(sumOf(lists.paint, ({ ml }) => ml) / 10, 4);
    expect(usual.lists.cost.typical).toBe(true);
  });
});

describe('what is used off the stock', () => {
  const counted: Shelf = {
    ...SHIPPED_SHELF,
    tapes: SHIPPED_SHELF.tapes.map((tape) => ({ ...tape, rolls: 10 })),
    supplies: SHIPPED_SUPPLIES.map((supply) => ({ ...supply, packs: 10 })),
  };
  const plan = planJob(design('tansy'), counted);
  it('by all items together is what the lists say', () => {
    const used = stockUse(plan.items, counted);
    for (const { tape, lengthM } of plan.lists.tape)
      expect(used.find(({ stuff, code }) => stuff === 'tapes' && code === tape)!.packs).toBeCloseTo(
        lengthM / rollLengthM(counted.tapes.find(({ code }) => code === tape)!),
        5,
      );
    for (const { code, amount } of plan.lists.supplies)
      expect(used.find((other) => other.stuff === 'supplies' && other.code === code)!.packs).toBeCloseTo(
        amount / counted.supplies!.find((supply) => supply.code === code)!.pack,
        5,
      );
  });
  it('by parts is the sum of the parts, and nothing where nobody counts', () => {
    const total = (items: typeof plan.items) => sumOf(stockUse(items, counted), ({ packs }) => packs);
    expect(total(plan.items.slice(0, 5)) + total(plan.items.slice(5))).toBeCloseTo(total(plan.items), 9);
    expect(stockUse(plan.items, SHIPPED_SHELF)).toEqual([]);
  });
});

it('a job file carries what covers, and one from before has none', () => {
  const shelf = usedShelf(design('tansy'), SHIPPED_SHELF);
  expect(shelf.supplies).toEqual(SHIPPED_SUPPLIES);
  expect(usedShelf(design('tansy'), { ...SHIPPED_SHELF, supplies: [] })).not.toHaveProperty('supplies');
});
