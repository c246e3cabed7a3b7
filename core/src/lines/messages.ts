import type { MessageOf, NoValues } from '../kit';
import type { EdgeName } from '../surface';

/** What a line is to another: parallel to it, its mirror image, a rounded corner with it, ending on it. */
export type Relation = 'parallel' | 'mirror' | 'corner' | 'ends-on';

/** Why a line is not as requested. The line is the subject of every sentence. */
export interface LineMessages {
  readonly 'line.same-place': NoValues;
  readonly 'line.same-neighbours': NoValues;
  readonly 'line.turns-nothing': NoValues;
  readonly 'line.near-end': NoValues;
  readonly 'line.no-datum': NoValues;
  readonly 'line.mirror-no-datum': NoValues;
  readonly 'line.holds-none': NoValues;
  readonly 'line.three-straight': NoValues;
  readonly 'line.not-round': NoValues;
  readonly 'line.beyond-ends': NoValues;
  readonly 'line.bands-beyond': NoValues;
  readonly 'line.not-from-here': NoValues;
  readonly 'line.too-many-waves': { readonly waves: number; readonly most: number };
  readonly 'line.scallop-high': NoValues;
  readonly 'line.strokes': { readonly least: number; readonly most: number };
  readonly 'line.too-fine': { readonly pieces: number; readonly most: number };
  readonly 'line.part-strokes': { readonly most: number };
  readonly 'line.part-pieces': { readonly most: number };
  readonly 'line.turns': { readonly turns: number; readonly most: number };
  readonly 'line.meetings': { readonly most: number };
  readonly 'line.outside': NoValues;
  readonly 'line.itself': NoValues;
  readonly 'line.of-gone': { readonly relation: Relation };
  readonly 'line.of-itself': { readonly relation: Relation };
  readonly 'line.of-broken': { readonly relation: Relation; readonly name: string };
  readonly 'line.no-meeting': { readonly name: string };
  readonly 'line.nothing-left': { readonly name: SnapName };
  readonly 'line.no-edge': { readonly edge: number };
  readonly 'line.edge-short': NoValues;
  readonly 'line.corner-two': NoValues;
  readonly 'line.corner-apart': NoValues;
  readonly 'line.corner-straight': NoValues;
  readonly 'line.corner-room': { readonly radiusMm: number };
  readonly 'line.corner-nothing': { readonly radiusMm: number };
  readonly 'line.corner-crowded': NoValues;
  readonly 'line.cut-places': NoValues;
  readonly 'line.cut-misses': NoValues;
  readonly 'line.cut-hidden': { readonly half: 'near' | 'far' };
  readonly 'line.on-no-part': NoValues;
  readonly 'line.on-own-part': NoValues;
  readonly 'line.on-no-line': NoValues;
  readonly 'line.on-broken': { readonly name: string };
  readonly 'line.on-not-there': NoValues;
  readonly 'line.on-at-viewer': NoValues;
  readonly 'line.on-misses': NoValues;
}
export type LineMessage = MessageOf<LineMessages>;

/** True for a failure instead of a result. */
export const isFailure = (result: unknown): result is LineMessage =>
  typeof result === 'object' && result !== null && 'code' in result && 'values' in result;

/** What a point was drawn to: the code of a line, the name of a datum, or an edge. */
export type SnapName = string | EdgeName;

/** What a dragged point was drawn to. */
export interface SnapMessages {
  readonly 'snap.corner': NoValues;
  readonly 'snap.middle': { readonly to: SnapName };
  readonly 'snap.end': { readonly to: SnapName };
  readonly 'snap.crossing': { readonly to: SnapName; readonly with: SnapName };
  readonly 'snap.start': { readonly to: SnapName };
  readonly 'snap.square': { readonly to: SnapName };
  readonly 'snap.touching': { readonly to: SnapName };
  readonly 'snap.on': { readonly to: SnapName };
  readonly 'snap.tapes': { readonly count: number; readonly widthMm: number; readonly to: SnapName };
}
export type SnapMessage = MessageOf<SnapMessages>;

/** Why bands cannot be spaced so. */
export interface BandMessages {
  readonly 'bands.no-width': NoValues;
  readonly 'bands.one-no-gap': NoValues;
  readonly 'bands.too-wide': NoValues;
  readonly 'bands.too-long': NoValues;
  readonly 'bands.not-whole': { readonly count: number };
}
export type BandMessage = MessageOf<BandMessages>;
