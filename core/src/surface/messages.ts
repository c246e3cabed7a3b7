import type { MessageOf, NoValues } from '../kit';

/** What is wrong with a surface, an outline, a profile, a panel or a feature. */
export interface SurfaceMessages {
  readonly 'outline.open': NoValues;
  readonly 'outline.no-length': NoValues;
  readonly 'outline.crosses-itself': NoValues;
  readonly 'outline.same-corner': NoValues;
  /** Corners, from 1, at which the two edges begin. */
  readonly 'outline.edges-cross': { readonly edge: number; readonly other: number };
  readonly 'outline.too-small': NoValues;
  readonly 'profile.negative': NoValues;
  readonly 'profile.same-pair': NoValues;
  readonly 'profile.passes-axis': NoValues;
  readonly 'profile.no-radius': NoValues;
  readonly 'panel.first-hangs': NoValues;
  readonly 'panel.hangs-nowhere': NoValues;
  readonly 'panel.no-panel': { readonly panel: string };
  readonly 'panel.further-up': NoValues;
  readonly 'panel.few-edges': { readonly panel: string; readonly edges: number };
  readonly 'panel.own-few-edges': { readonly edges: number };
  readonly 'panel.edge-taken': NoValues;
  readonly 'panel.edge-long': { readonly ownMm: number; readonly otherMm: number };
  readonly 'panel.overlap': NoValues;
  readonly 'surface.cone-is-tube': NoValues;
  readonly 'surface.too-far': { readonly reachM: number; readonly mostM: number };
  readonly 'surface.used-twice': { readonly id: string };
  readonly 'feature.no-length': NoValues;
}

/** Where an edge is on the drawing. */
export type EdgePosition = 'top' | 'bottom' | 'left' | 'right';

/** What an edge of a part is called. */
export interface EdgeMessages {
  /** As people call it. */
  readonly 'edge.named': { readonly name: string };
  /** From 1, in the order of the outline, and its position on the drawing; missing in older plans. */
  readonly 'edge.numbered': { readonly number: number; readonly seen?: EdgePosition };
  /** End of a round part where measuring along it begins, and the other. */
  readonly 'edge.near': NoValues;
  readonly 'edge.far': NoValues;
}
export type EdgeName = MessageOf<EdgeMessages>;
export type SurfaceMessage = MessageOf<SurfaceMessages>;
