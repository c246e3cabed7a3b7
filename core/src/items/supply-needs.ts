import type { Item, PlugItem, SupplyNeed } from '../contract';
import { compareText, RULE_OF_THUMB, sumOf } from '../kit';
import { CLOSING_MATERIALS, closingFilmMm2, FOAM, PAPER, SURROUNDINGS_ID } from '../masking';
import type { Sequence } from '../stage';
import type { Supply, SupplyKind } from '../tape';
import { packsFor } from './packs';
import { ITEM_RULES } from './rules-of-thumb';

/** An amount of a material, in a number of pieces. */
interface Taken {
  readonly kind: SupplyKind;
  readonly sizeMm: number | null;
  readonly amount: number;
  readonly pieces: number;
}

/**
 * What a job takes of paper, film, foam and the like, all stages together, and the pack of the shelf it comes from.
 * Areas are covered with paper, what is beyond them and whole parts with film.
 * @param sealedM metres of edge that are sealed with liquid mask
 */
export function supplyNeeds(items: readonly Item[], sealedM: number, supplies: readonly Supply[]): SupplyNeed[] {
  const taken = [
    ...items.flatMap(takenBy),
    ...(sealedM > 0 ? [needOf('liquid-mask', null, sealedM * ITEM_RULES.liquidMaskPerMetreMl, 1)] : []),
  ];
  const keys = [...new Set(taken.map(keyOf))].sort(compareText);
  return keys.map((key) => {
    const alike = taken.filter((other) => keyOf(other) === key);
    const { kind, sizeMm } = alike[0]!;
    const amount = sumOf(alike, (other) => other.amount);
    return {
      kind,
      sizeMm,
      amount,
      pieces: sumOf(alike, ({ pieces }) => pieces),
      ...packsOf(amount, supplyFor(kind, sizeMm, supplies)),
    };
  });
}

const needOf = (kind: SupplyKind, sizeMm: number | null, amount: number, pieces: number): Taken => ({
  kind,
  sizeMm,
  amount,
  pieces,
});
const keyOf = ({ kind, sizeMm }: Taken): string => `${kind} ${sizeMm === null ? '' : String(1e6 + sizeMm)}`;

/** What laying one item takes, all alike together. */
function takenBy(item: Item): Taken[] {
  switch (item.kind) {
    case 'cover':
      return [
        needOf(item.area === null || item.area === SURROUNDINGS_ID ? 'film' : 'paper', null, item.sizeM2, item.count),
      ];
    case 'own':
      return item.sizeM2 > 0 ? [needOf('paper', null, item.sizeM2, item.count)] : [];
    case 'rim':
      if (item.material === PAPER)
        return [needOf('paper', null, ((item.lengthMm * item.widthMm) / 1e6) * item.count, item.count)];
      return item.material === FOAM
        ? [needOf('foam', item.widthMm, (item.lengthMm / 1000) * item.count, item.count)]
        : [];
    case 'plug':
      return [...closingTakes(item), ...closingSealTakes(item)];
    default:
      return [];
  }
}

/** Liquid mask along the edge of what closes an opening, all alike together. */
function closingSealTakes({ closing, count }: PlugItem): Taken[] {
  if ((closing.code !== 'opening.pane' && closing.code !== 'opening.sheet') || !closing.values.sealed) return [];
  const edgeM = (2 * (closing.values.widthMm + closing.values.heightMm)) / 1000;
  return [needOf('liquid-mask', null, edgeM * ITEM_RULES.liquidMaskPerMetreMl * count, count)];
}

/** What closing an opening takes, all alike together. */
function closingTakes({ closing, count }: PlugItem): Taken[] {
  const material = CLOSING_MATERIALS[closing.code];
  switch (closing.code) {
    case 'opening.foam':
    case 'opening.foam-strip':
      return [needOf('foam', closing.values.foamMm, (closing.values.lengthMm / 1000) * count, count)];
    case 'opening.disc':
      return [needOf('film', null, (closing.values.discMm / 1000) ** 2 * count, count)];
    case 'opening.sheet':
      return [needOf('card', null, ((closing.values.widthMm * closing.values.heightMm) / 1e6) * count, count)];
    case 'opening.putty':
      return [
        needOf(
          'putty',
          null,
          ((closing.values.widthMm * closing.values.heightMm * ITEM_RULES.puttyThickMm) / 1000) * count,
          count,
        ),
      ];
    default:
      if (material === 'bag') return [needOf('bag', null, count, count)];
      return material === 'film' ? [needOf('film', null, (closingFilmMm2(closing) / 1e6) * count, count)] : [];
  }
}

/** Metres of edge on texture that are sealed with liquid mask. */
export const sealedWithMaskM = ({ stages }: Sequence): number =>
  sumOf(stages, ({ seals }) => sumOf(seals, (seal) => (seal.product === null ? seal.minutes : 0))) /
  RULE_OF_THUMB.sealPerMetre;

/** The pack a need is met from: of its size, or the next larger; of several the first that is in stock. */
function supplyFor(kind: SupplyKind, sizeMm: number | null, supplies: readonly Supply[]): Supply | null {
  const alike = supplies.filter((supply) => supply.kind === kind);
  const fitting =
    sizeMm === null
      ? alike
      : alike
          .filter((supply) => (supply.sizeMm ?? 0) >= sizeMm - 0.5)
          .sort((a, b) => (a.sizeMm ?? 0) - (b.sizeMm ?? 0));
  const nearest = sizeMm === null ? fitting : fitting.filter((supply) => supply.sizeMm === fitting[0]?.sizeMm);
  return nearest.find(({ packs }) => packs !== 0) ?? nearest[0] ?? null;
}

/** Packs of what a need is met from; null where there is none. */
function packsOf(amount: number, supply: Supply | null): Pick<SupplyNeed, 'code' | 'packs' | 'missing'> {
  if (!supply) return { code: null, packs: null, missing: null };
  const { whole: packs, missing } = packsFor(amount, supply.pack, supply.packs);
  return { code: supply.code, packs, missing };
}
