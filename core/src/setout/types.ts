import type { Place } from '../curves';
import type { PaintSystemKey } from '../finish';
import type { EdgeContextKind } from '../job';
import type { AreaId, AreaRef, FinishId, LineId } from '../kit';
import type { FeatureCrossing, LineKind, LineMessage } from '../lines';
import type { EdgeName, FeatureKind, SurfaceKind } from '../surface';

/** [x, y] on the sheet, and distance along the line, mm. */
export type LinePoint = readonly [number, number, number];

export interface LinePlan {
  readonly id: string;
  /** The line in the list it comes from: bands and letters come as several lines of one owner. */
  readonly owner: LineId;
  readonly code: string;
  readonly name: string;
  readonly kind: LineKind;
  readonly hidden: boolean;
  readonly locked: boolean;
  /** What of it lies on the part. */
  readonly pieces: readonly (readonly LinePoint[])[];
  readonly lengthMm: number;
  readonly tightest: { readonly at: number; readonly radiusMm: number; readonly place: Place } | null;
  /** Distances at which it changes from bending one way to the other, and at which it has a corner. */
  readonly inflections: readonly number[];
  readonly corners: readonly number[];
  /** Features it meets, in order along it. */
  readonly crosses: readonly FeatureCrossing[];
  readonly fault: LineMessage | null;
  /** Length that bounds no area, because an end hangs free. */
  readonly looseMm: number;
}

export interface AreaPlan {
  /** Lasting: the lines round it, with the side of them it lies on. The code is what is written on the drawing. */
  readonly id: string;
  readonly code: string;
  /** Existing finish; null: bare. */
  readonly present: { readonly system: PaintSystemKey; readonly colour: string; readonly ageH: number } | null;
  /** True where that differs from the rest of its part. */
  readonly ownPresent: boolean;
  /** Closed lines round it and its holes; inside is where one crosses an odd number of them. */
  readonly rings: readonly (readonly Place[])[];
  readonly sizeM2: number;
  readonly perimeterMm: number;
  /** Areas it meets, with the length they share and the codes of the lines between. */
  readonly neighbours: readonly {
    readonly area: AreaId;
    readonly lengthMm: number;
    readonly lines: readonly string[];
  }[];
  readonly seed: Place;
  readonly sliver: boolean;
  /** Planned finish; null: kept. */
  readonly finish: FinishId | null;
  /** False if no choice was made yet. */
  readonly chosen: boolean;
  /** True where the finish fades out within it. */
  readonly blend: boolean;
  /** True where the clear leaves it out. */
  readonly uncleared: boolean;
  /** Colour that shows now, and the final one. */
  readonly shows: string;
  readonly colour: string;
}

/** A feature as it lies on the sheet. */
export interface FeaturePlan {
  readonly id: string;
  readonly name: string;
  readonly kind: FeatureKind;
  readonly places: readonly Place[];
  readonly closed: boolean;
}

/** A stretch of an edge of a part that is masked where one of its two sides is painted and the other is not. */
interface OutlineStretchPlan {
  readonly edge: number;
  readonly beyond: EdgeContextKind;
  readonly from: number;
  readonly to: number;
  readonly area: AreaId;
  readonly other: AreaRef;
  /** True where it is masked only while its own area is painted. */
  readonly oneWay: boolean;
}

export interface PartPlan {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly kind: SurfaceKind;
  readonly ring: readonly Place[];
  /** True where it is the mirror image of what is measured. */
  readonly mirrored: boolean;
  readonly openings: readonly (readonly Place[])[];
  readonly features: readonly FeaturePlan[];
  /** Fold lines of a folded part. */
  readonly folds: readonly (readonly Place[])[];
  /** The two edges of the sheet of a round part that are one line on it; empty where there is no seam. */
  readonly seams: readonly (readonly Place[])[];
  /** Datums, drawn across the part. */
  readonly datums: readonly { readonly id: string; readonly name: string; readonly places: readonly Place[] }[];
  /** Names of the edges lines may follow. */
  readonly edges: readonly EdgeName[];
  /** The same edges on the drawing, the part on their left. */
  readonly edgePlaces: readonly (readonly Place[])[];
  /** Stretches of its edges beyond which something is, beside which of its areas, and what that is: an area of another part, or what stays clean. */
  readonly rims: readonly OutlineStretchPlan[];
  readonly sizeM2: number;
  readonly present: string;
  /** Parts it is attached to, both ways. */
  readonly attached: readonly string[];
  readonly lines: readonly LinePlan[];
  readonly areas: readonly AreaPlan[];
  /** Finishes given to places that lie in no area. */
  readonly lost: readonly { readonly seed: Place; readonly finish: FinishId | null }[];
  /** Where areas meet: from and to along the line, with the areas on its left and right. */
  readonly borders: readonly {
    readonly line: LineId;
    readonly from: number;
    readonly to: number;
    readonly left: string;
    readonly right: string;
  }[];
}
