import { coatFlashMin } from '../drying';
import type { Finish } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import type { MaskEdge, StageMask } from '../masking';
import { compatibilityOf } from '../over';
import { compatibilityAt } from './compatibility-cost';
import { marksOfFilm } from './film-times';
import { finishOf, type OrderProblem } from './problem';
import type { Progress } from './stage';

/** Tape edges on texture that are sealed alike before the colour. */
export interface Seal {
  /** Finish that is brushed on thinly; null: liquid mask. */
  readonly product: string | null;
  readonly edges: readonly MaskEdge[];
  /** Minutes of work. */
  readonly minutes: number;
  readonly dryMin: number;
}

/**
 * What the edges of a mask are sealed with where they lie on texture: the colour below the tape, else the clear of the scheme, as far as
 * either may go there, else liquid mask.
 * @param begins when the work of the stage begins, minutes from the start
 */
export function sealsOf(
  problem: OrderProblem,
  before: Progress,
  { edges, covers }: StageMask,
  finish: Finish,
  begins: number,
): Seal[] {
  const onTexture = edges.filter(
    ({ border, class: one, laid, strip }) =>
      laid === 'now' && one === 'crisp' && !strip && problem.borders[border]!.sealM > 0,
  );
  const strips = covers.flatMap(({ area, by, crisp, laid }) =>
    by === 'tape' && crisp && laid === 'now' && (problem.areas[area]!.strip?.sealM ?? 0) > 0
      ? edges.filter(({ closed }) => closed === area).slice(0, 1)
      : [],
  );
  const seals = new Map<string | null, MaskEdge[]>();
  for (const edge of [...onTexture, ...strips]) {
    const product = productFor(problem, before, edge, finish, begins);
    seals.set(product, [...(seals.get(product) ?? []), edge]);
  }
  return [...seals].map(([product, own]) => ({
    product,
    edges: own,
    minutes: RULE_OF_THUMB.sealPerMetre * own.reduce((sum, edge) => sum + sealM(problem, edge), 0),
    dryMin: dryMin(problem, product),
  }));
}

/** A strip is sealed along both its edges at once. */
const sealM = ({ areas, borders }: OrderProblem, { border, closed, strip }: MaskEdge): number =>
  strip ? (areas[closed]!.strip?.sealM ?? 0) : borders[border]!.sealM;

const dryMin = (problem: OrderProblem, product: string | null): number =>
  product === null ? RULE_OF_THUMB.liquidMaskDry : coatFlashMin(finishOf(problem, product), problem.sprayAir);

function productFor(
  problem: OrderProblem,
  before: Progress,
  { free, closed }: MaskEdge,
  upper: Finish,
  begins: number,
): string | null {
  const below = before.films[closed]?.finish;
  const candidates = [...(below ? [below] : []), ...(problem.clear ? [finishOf(problem, problem.clear.finish)] : [])];
  const holds = (product: Finish): boolean => {
    if (compatibilityAt(problem, before, free, product, begins).verdict.answer !== 'yes') return false;
    const marks = marksOfFilm(problem, product, 1);
    return (
      product.id === upper.id ||
      compatibilityOf({ marks, ageMin: dryMin(problem, product.id), known: true }, upper.system).answer === 'yes'
    );
  };
  return candidates.find(holds)?.id ?? null;
}
