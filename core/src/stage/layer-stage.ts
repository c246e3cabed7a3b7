import type { FinishId } from '../kit';
import type { OrderProblem } from './problem';
import type { Progress } from './stage';

/** Role of a stage; null: a colour. */
export type StageLayerKind = 'primer' | 'clear' | null;

/**
 * Whether a finish is applied as the primer under all colours or the clear over them at this point; an area may have
 * the same finish as its colour.
 */
export function stageLayer(
  { areas, primer, clear }: OrderProblem,
  { films, painted }: Progress,
  finish: FinishId,
): StageLayerKind {
  if (primer?.finish === finish && films.every((film) => film === null)) return 'primer';
  return clear?.finish === finish && areas.every((area, index) => area.finish === null || painted[index])
    ? 'clear'
    : null;
}

/** Areas on which a colour is temporary. Primer and clear are meant to lie under and over the others. */
export const temporaryAreas = (
  { areas }: Pick<OrderProblem, 'areas'>,
  {
    layer,
    finish,
    open,
  }: { readonly layer: StageLayerKind; readonly finish: FinishId; readonly open: readonly boolean[] },
): number[] =>
  layer === null
    ? open.flatMap((isOpen, area) =>
        isOpen && areas[area]!.finish !== finish && areas[area]!.alike !== finish ? [area] : [],
      )
    : [];
