import type { NoValues, SaidOf } from '../units';

/** Why a film may or may not go over another. */
export interface OverSays {
  readonly 'over.bare': NoValues;
  readonly 'over.vouched': NoValues;
  readonly 'over.dope-lifts': NoValues;
  readonly 'over.antifouling-unknown': NoValues;
  readonly 'over.peelable-young': NoValues;
  readonly 'over.hot-young': NoValues;
  readonly 'over.hot-cured': NoValues;
  readonly 'over.lacquer-bites': NoValues;
  readonly 'over.varnish-tacky': NoValues;
  readonly 'over.in-gap': NoValues;
  readonly 'over.not-flashed': NoValues;
  readonly 'over.cured-two-part': NoValues;
  readonly 'over.past-limit': NoValues;
  readonly 'over.from-now': NoValues;
  readonly 'over.in-window': NoValues;
  readonly 'over.acrylic-holds': NoValues;
  readonly 'over.water-keyed': NoValues;
}
export type OverSaid = SaidOf<OverSays>;
