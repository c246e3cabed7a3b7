import type { MessageOf, NoValues } from '../kit';

/** Why a film may or may not go over another. */
export interface CompatibilityMessages {
  readonly 'over.bare': NoValues;
  readonly 'over.vouched': NoValues;
  readonly 'over.keyed': NoValues;
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
  readonly 'over.sheds': NoValues;
  readonly 'over.peels-off': NoValues;
  readonly 'over.peelable-grips': NoValues;
  readonly 'over.peelable-clean': NoValues;
  readonly 'over.dope-bites': NoValues;
  readonly 'over.dope-on-lacquer': NoValues;
  readonly 'over.brittle': NoValues;
  readonly 'over.two-part-young': NoValues;
  readonly 'over.two-part-bites': NoValues;
  readonly 'over.glossy': NoValues;
  readonly 'over.not-hard': NoValues;
  readonly 'over.enamel-dry': NoValues;
  readonly 'over.young': NoValues;
  readonly 'over.cured': NoValues;
  readonly 'over.etch-metal': NoValues;
  readonly 'over.not-known': NoValues;
}
export type CompatibilityMessage = MessageOf<CompatibilityMessages>;
