import { type FactorEstimate, factorPosterior, LOG_FACTOR_RANGE, TOLERANCE } from '../kit';
import type { Card } from './card';
import type { Finish } from './finish';
import { colourDifference, reflectanceOf, reflectanceOfLayer, scatterFromHiding } from './layer';

// The film that hides is a figure of the sheet: before cards of this shop are made it is off by this, spread of the logarithm (rule of thumb).
const PRIOR_SPREAD = 0.35;
/** What an eye or a photo makes of a colour, ΔE00 (rule of thumb). */
const SEEN_DELTA_E = 2;
/** So often a step is simply read wrong. */
const MISTAKEN = 0.02;

/** Fields of a finish that decide how it hides. */
export type HidingPaint = Pick<Finish, 'colour' | 'hidingUm' | 'coatUm'> & { readonly cards?: readonly Card[] };

/** Maximum number of steps used, the newest first. */
const MOST_STEPS = 40;

const known = new WeakMap<readonly Card[], Map<string, FactorEstimate>>();

/**
 * Factor on the hiding film learned from the cards of a finish; above 1 it hides worse. Each step of a card gives
 * the likelihood of its colour after that many coats by the layer formula; a step on which nothing shows through
 * gives little.
 * On a ground similar to its own a card is used directly; the learned factor applies to all other grounds.
 */
export function hidingFactorFromCards(paint: HidingPaint): FactorEstimate {
  const { cards = [] } = paint;
  const byPaint = known.get(cards) ?? new Map<string, FactorEstimate>();
  known.set(cards, byPaint);
  const key = `${paint.colour} ${paint.hidingUm} ${paint.coatUm}`;
  const factor = byPaint.get(key);
  if (factor) return factor;
  const masstone = reflectanceOf(paint.colour);
  const scatter = scatterFromHiding(masstone, paint.hidingUm);
  const steps = cards
    .flatMap(({ ground, steps: own }) =>
      own.map(({ coats, colour }) => ({ below: reflectanceOf(ground), coats, seen: reflectanceOf(colour) })),
    )
    .slice(-MOST_STEPS);
  const learned = factorPosterior(
    PRIOR_SPREAD,
    steps.map(({ below, coats, seen }) => {
      const offAt = between((log) =>
        colourDifference(reflectanceOfLayer(masstone, scatter * Math.exp(-log), coats * paint.coatUm, below), seen),
      );
      return (log: number) => MISTAKEN + (1 - MISTAKEN) * Math.exp(-(offAt(log) ** 2) / (2 * SEEN_DELTA_E ** 2));
    }),
  );
  byPaint.set(key, learned);
  return learned;
}

/** A smooth function of the logarithm of a factor, from a few of its values: a difference of colours is dear. */
function between(density: (log: number) => number): (log: number) => number {
  const values = Array.from({ length: PLACES + 1 }, (_, index) =>
    density(LOG_FACTOR_RANGE * ((2 * index) / PLACES - 1)),
  );
  return (log) => {
    const place = Math.min(PLACES - TOLERANCE.rounding, Math.max(0, ((log / LOG_FACTOR_RANGE + 1) / 2) * PLACES));
    const index = Math.floor(place);
    return values[index]! + (place - index) * (values[index + 1]! - values[index]!);
  };
}
const PLACES = 48;

/** Dry film that hides a black-and-white card, µm: by the sheet, and by what cards have shown here. */
export const hidingFilmUm = (paint: HidingPaint): number =>
  paint.hidingUm * (paint.cards?.length ? hidingFactorFromCards(paint).factor : 1);
