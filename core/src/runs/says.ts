import type { NoValues, SaidOf } from '../units';

/** How a run is laid. */
export interface TechniqueSays {
  readonly 'technique.by-hand': NoValues;
  readonly 'technique.end-before-bend': NoValues;
  readonly 'technique.one-tape': NoValues;
  /** Mean stretch, as a fraction. */
  readonly 'technique.stretch': { readonly share: number };
  readonly 'technique.sighted': NoValues;
  readonly 'technique.steer': NoValues;
}
export type Technique = SaidOf<TechniqueSays>;

/** What speaks against the tape of a run, or for having none. */
export interface DoubtSays {
  readonly 'doubt.outstays': { readonly cleanMin: number; readonly staysMin: number };
  readonly 'doubt.too-tight': NoValues;
  readonly 'doubt.cold': { readonly needsC: number; readonly surfaceC: number };
  readonly 'doubt.none-narrow': { readonly roomMm: number };
  readonly 'doubt.none-for-strip': NoValues;
}
export type Doubt = SaidOf<DoubtSays>;
