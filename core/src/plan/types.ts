import type { PullWindows } from '../drying';
import type { School } from '../finish';
import type { FeatureCrossing, LineKind } from '../lines';
import type { Step } from '../log';
import type { Run } from '../runs';
import type { FeatureKind, SurfaceKind } from '../surface';

/** [x, y] in mm on the part's sheet. */
export type Coordinates = readonly [number, number];
/** [x, y] on the sheet, and distance along the line, mm. */
export type LinePlace = readonly [number, number, number];

/** Something a person should know, at the place it concerns. */
export interface Advice {
  /** `stop`: the plan cannot be right until it is settled; `caution`: look at it; `note`: good to know. */
  readonly level: 'stop' | 'caution' | 'note';
  readonly text: string;
  readonly part: string | null;
  readonly line: string | null;
  readonly area: string | null;
}

export interface LinePlan {
  readonly id: string;
  /** The line in the list it comes from: bands and letters come as several lines of one owner. */
  readonly owner: string;
  readonly code: string;
  readonly name: string;
  readonly kind: LineKind;
  readonly hidden: boolean;
  readonly locked: boolean;
  /** What of it lies on the part. */
  readonly pieces: readonly (readonly LinePlace[])[];
  readonly lengthMm: number;
  readonly tightest: { readonly at: number; readonly radiusMm: number; readonly place: Coordinates } | null;
  /** Distances at which it changes from bending one way to the other, and at which it has a corner. */
  readonly inflections: readonly number[];
  readonly corners: readonly number[];
  /** Features it meets, in order along it. */
  readonly crosses: readonly FeatureCrossing[];
  readonly fault: string | null;
  /** Length that bounds no area, because an end hangs free. */
  readonly looseMm: number;
}

export interface AreaPlan {
  readonly code: string;
  /** Closed lines round it and its holes; inside is where one crosses an odd number of them. */
  readonly rings: readonly (readonly Coordinates[])[];
  readonly sizeM2: number;
  readonly perimeterMm: number;
  /** Areas it meets, with the length they share and the codes of the lines between. */
  readonly neighbours: readonly { readonly area: string; readonly lengthMm: number; readonly lines: readonly string[] }[];
  readonly seed: Coordinates;
  readonly sliver: boolean;
  /** Finish it shall get; null: kept as it is. */
  readonly finish: string | null;
  /** False where nobody has said anything about it yet. */
  readonly chosen: boolean;
  /** Final colour. */
  readonly colour: string;
}

/** A feature as it lies on the sheet. */
export interface FeaturePlan {
  readonly id: string;
  readonly name: string;
  readonly kind: FeatureKind;
  readonly places: readonly Coordinates[];
  readonly closed: boolean;
}

export interface PartPlan {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly kind: SurfaceKind;
  readonly ring: readonly Coordinates[];
  /** True where it is the mirror image of what is measured. */
  readonly mirrored: boolean;
  readonly openings: readonly (readonly Coordinates[])[];
  readonly features: readonly FeaturePlan[];
  /** Fold lines of a folded part. */
  readonly folds: readonly (readonly Coordinates[])[];
  /** The two edges of the sheet of a round part that are one line on it; empty where there is no seam. */
  readonly seams: readonly (readonly Coordinates[])[];
  /** Datums, drawn across the part. */
  readonly datums: readonly { readonly id: string; readonly name: string; readonly places: readonly Coordinates[] }[];
  /** Names of the edges lines may follow. */
  readonly edges: readonly string[];
  readonly sizeM2: number;
  readonly present: string;
  readonly lines: readonly LinePlan[];
  readonly areas: readonly AreaPlan[];
}

/** One area in a stage picture. */
export interface StageArea {
  readonly code: string;
  readonly open: boolean;
  /** Colour that shows after the stage. */
  readonly colour: string;
}

export interface StagePlan {
  readonly number: number;
  readonly finish: string;
  readonly coats: number;
  /** Why so many coats, in a sentence. */
  readonly coatsWhy: string;
  readonly buildUm: number;
  readonly pictures: readonly { readonly part: string; readonly areas: readonly StageArea[] }[];
  readonly runs: readonly Run[];
  readonly covers: readonly { readonly part: string; readonly area: string; readonly sizeM2: number }[];
  readonly layMin: number;
  readonly coatMin: number;
  readonly pullMin: number;
  readonly changeMin: number;
  readonly waitMin: number;
  readonly tapeM: number;
  /** Windows after the last coat; null where nothing is masked and nothing is pulled. */
  readonly windows: PullWindows | null;
  readonly school: School | null;
  /** Pull window of that school, minutes after the last coat. */
  readonly pull: { readonly fromMin: number; readonly toMin: number | null } | null;
  /** Last coat on, minutes from the start of the job. */
  readonly lastCoatMin: number;
}

/** A piece of the day, minutes from the start of the job. */
export interface TimelineEntry {
  readonly stage: number;
  readonly kind: 'work' | 'wait';
  readonly what: string;
  readonly fromMin: number;
  readonly toMin: number;
}

export interface SequenceSummary {
  readonly order: readonly string[];
  readonly reason: string;
  readonly workMin: number;
  readonly waitMin: number;
  readonly tapeM: number;
  readonly drapeM2: number;
  readonly coats: number;
  readonly chosen: boolean;
}

/** Tape to have ready: one line a code. */
export interface TapeNeed {
  readonly tape: string;
  readonly pieces: number;
  readonly lengthM: number;
}

/** Everything that follows from a design and a shelf. Same input, same plan, to the byte. */
export interface Plan {
  readonly format: 'lintrel-plan';
  readonly version: 1;
  readonly advice: readonly Advice[];
  /** Usual cautions that apply to this job, each once. */
  readonly safety: readonly string[];
  readonly parts: readonly PartPlan[];
  readonly sequences: readonly SequenceSummary[];
  /** False where the search did not look at every possibility. */
  readonly orderComplete: boolean;
  readonly stages: readonly StagePlan[];
  readonly timeline: readonly TimelineEntry[];
  readonly tapes: readonly TapeNeed[];
  readonly steps: readonly Step[];
}
