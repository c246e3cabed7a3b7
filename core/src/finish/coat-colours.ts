import { RULE_OF_THUMB, TOLERANCE } from '../kit';
import type { Card } from './card';
import type { Finish } from './finish';
import { hidingFilmUm, type HidingPaint } from './from-cards';
import {
  colourDifference,
  hexOf,
  type Reflectance,
  reflectanceOf,
  reflectanceOfLayer,
  scatterFromHiding,
} from './layer';
import { FINISH_RULES } from './rules-of-thumb';

/** Colour of a finish after a number of coats. */
export interface CoatStep {
  readonly coats: number;
  readonly colour: string;
  /** ΔE00 to the target colour. */
  readonly deltaE: number;
  readonly from: 'card' | 'formula';
}

/**
 * Colour of a finish coat by coat over a ground.
 * A card on a similar ground is interpolated between its measured steps; beyond its last step, and without a card,
 * the layer formula is used.
 * @param most maximum number of coats
 */
export function coatSteps(paint: HidingPaint, ground: string, most: number = RULE_OF_THUMB.mostCoats): CoatStep[] {
  const target = reflectanceOf(paint.colour);
  const scatter = scatterFromHiding(target, hidingFilmUm(paint));
  const below = reflectanceOf(ground);
  const card = cardFor(paint, ground);
  return Array.from({ length: most }, (_, index): CoatStep => {
    const coats = index + 1;
    const measured = card && measuredAt(card, coats);
    const shown = measured ?? reflectanceOfLayer(target, scatter, coats * paint.coatUm, below);
    return {
      coats,
      colour: hexOf(shown),
      deltaE: colourDifference(shown, target),
      from: measured ? 'card' : 'formula',
    };
  });
}

/** The rung nearest to the colour wanted; of equals the one with fewest coats. */
export const nearestCoatStep = (rungs: readonly CoatStep[]): CoatStep =>
  rungs.reduce((best, rung) => (rung.deltaE < best.deltaE - TOLERANCE.rounding ? rung : best));

/** The card made on the ground most like this one, if any is near enough. */
export function cardFor({ cards }: Pick<HidingPaint, 'cards'>, ground: string): Card | null {
  const below = reflectanceOf(ground);
  const near = (cards ?? [])
    .map((card) => ({ card, deltaE: colourDifference(reflectanceOf(card.ground), below) }))
    .filter(({ deltaE }) => deltaE <= FINISH_RULES.likeGround)
    .sort((a, b) => a.deltaE - b.deltaE);
  return near[0]?.card ?? null;
}

/** Reflectance of a card after a number of coats, interpolated between its steps; null beyond its last one. */
function measuredAt({ ground, steps }: Card, coats: number): Reflectance | null {
  const known = [{ coats: 0, colour: ground }, ...steps].sort((a, b) => a.coats - b.coats);
  const above = known.findIndex((step) => step.coats >= coats);
  if (above < 0) return null;
  const [low, high] = [known[Math.max(0, above - 1)]!, known[above]!];
  const share = high.coats === low.coats ? 1 : (coats - low.coats) / (high.coats - low.coats);
  const [from, to] = [reflectanceOf(low.colour), reflectanceOf(high.colour)];
  const channel = (index: number) => from[index]! + share * (to[index]! - from[index]!);
  return [channel(0), channel(1), channel(2)];
}

/** True for what lets the ground show: its colour depends on what lies below. */
const showsGround = ({ effect }: Pick<Finish, 'effect'>): boolean => effect === 'candy' || effect === 'clear';

/** Colour after a number of coats over a ground; an opaque finish has its own colour. */
export function colourOverGround(finish: Finish, ground: string, coats: number): string {
  if (finish.effect === 'clear' && !cardFor(finish, ground)) return clearOver(finish, ground, coats);
  return showsGround(finish) ? coatSteps(finish, ground, coats)[coats - 1]!.colour : finish.colour;
}

/** A clear tints what is below as a filter does: by the share of its film to the film that would hide. */
function clearOver({ colour, hidingUm, coatUm }: Finish, ground: string, coats: number): string {
  const share = Math.min(1, (coats * coatUm) / hidingUm);
  const [below, tint] = [reflectanceOf(ground), reflectanceOf(colour)];
  const channel = (index: number) => below[index]! * (1 - share + share * tint[index]!);
  return hexOf([channel(0), channel(1), channel(2)]);
}
