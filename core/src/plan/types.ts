import type { PullWindows } from '../drying';
import type { Mix, School } from '../finish';
import type { FeatureCrossing, LineKind } from '../lines';
import type { Step } from '../log';
import type { SequenceFigures } from '../order';
import type { OverAnswer } from '../over';
import type { Run } from '../runs';
import type { FeatureKind, SurfaceKind } from '../surface';
import type { Wish } from '../units';

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
  /** True where the finish fades out within it. */
  readonly blend: boolean;
  /** True where the clear leaves it out. */
  readonly uncleared: boolean;
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
  /** Finishes given to places that lie in no area. */
  readonly lost: readonly { readonly seed: Coordinates; readonly finish: string | null }[];
  /** Where areas meet: from and to along the line, with the areas on its left and right. */
  readonly borders: readonly { readonly line: string; readonly from: number; readonly to: number; readonly left: string; readonly right: string }[];
}

/** One area in a stage picture. */
export interface StageArea {
  readonly code: string;
  readonly open: boolean;
  /** Colour that shows after the stage. */
  readonly colour: string;
}

/** What the films below ask for before a coat may go on. */
export interface PrepareTask {
  readonly answer: OverAnswer;
  readonly reason: string;
  readonly places: readonly { readonly part: string; readonly area: string }[];
  /** Minutes of work. */
  readonly minutes: number;
}

/** Paint to make ready for a stage. */
export interface StagePaint extends Mix {
  readonly byArea: readonly { readonly part: string; readonly area: string; readonly ml: number }[];
  readonly potLifeMin: number | null;
  /** How often it has to be mixed so that none is older than its pot life when it is sprayed. */
  readonly batches: number;
}

export interface StagePlan {
  readonly number: number;
  readonly finish: string;
  /** What the stage is for: a finish of the scheme, or what goes under or over all of them. */
  readonly layer: 'primer' | 'finish' | 'clear';
  readonly coats: number;
  /** Why so many coats, in a sentence. */
  readonly coatsWhy: string;
  /** The undercolour that decided it. */
  readonly under: string;
  readonly buildUm: number;
  readonly pictures: readonly { readonly part: string; readonly areas: readonly StageArea[] }[];
  readonly runs: readonly Run[];
  readonly covers: readonly { readonly part: string; readonly area: string; readonly sizeM2: number }[];
  /** Openings closed before this stage, with all alike parts. */
  readonly plugs: readonly { readonly part: string; readonly count: number }[];
  readonly tasks: readonly PrepareTask[];
  readonly paint: StagePaint;
  readonly layMin: number;
  readonly coatMin: number;
  readonly pullMin: number;
  readonly changeMin: number;
  readonly overMin: number;
  readonly waitMin: number;
  readonly tapeM: number;
  /** True where the masks stay on for the next stage. */
  readonly keep: boolean;
  /** True where masks that stayed on came to be pulled past their window. */
  readonly late: boolean;
  /** Windows after the last coat; null where nothing is masked and nothing is pulled. */
  readonly windows: PullWindows | null;
  readonly school: School | null;
  /** Pull window of that school, minutes after the last coat; of masks that stay on, the window they must still be pulled in. */
  readonly pull: { readonly fromMin: number; readonly toMin: number | null } | null;
  /** Earlier stages whose masks come off in this one. */
  readonly pulls: readonly number[];
  /** Last coat on, minutes from the start of the job. */
  readonly lastCoatMin: number;
  /** When the next coat of it may go on, minutes after the one before. */
  readonly gap: { readonly fromMin: number; readonly toMin: number | null };
}

/** A piece of the day, minutes from the start of the job. */
export interface TimelineEntry {
  readonly stage: number;
  readonly kind: 'work' | 'wait';
  readonly what: string;
  readonly fromMin: number;
  readonly toMin: number;
}

export interface SequenceSummary extends SequenceFigures {
  readonly order: readonly string[];
  readonly reason: string;
  readonly stages: number;
  /** Stages after which masks stay on. */
  readonly kept: number;
  readonly chosen: boolean;
}

/** What the choices a person has made cost, against the best without them; below zero where they save it. */
export type ChoicePrice = Pick<SequenceFigures, 'workMin' | 'endMin' | 'tapeM' | 'coats' | 'riskM' | 'money'>;

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
  /** How much better than the first sequence the best possible could be at most, as a share; 0: it is the best possible. */
  readonly orderGap: number;
  /** Null where nothing was chosen by hand. */
  readonly choicePrice: ChoicePrice | null;
  readonly wish: Wish;
  readonly stages: readonly StagePlan[];
  readonly timeline: readonly TimelineEntry[];
  readonly tapes: readonly TapeNeed[];
  readonly steps: readonly Step[];
}
