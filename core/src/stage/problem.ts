import type { DryingAir } from '../air';
import type { Finish, PaintSystemKey, PullTiming } from '../finish';
import { type Aim, type AreaId, type AreaRef, type FinishId, type PartId, RULE_OF_THUMB } from '../kit';
import type { BuiltBorder, MaskEdge } from '../masking';

/** How hard a border bends, or that it runs over features: decides how long a metre of its tape takes. */
export type BendClass = 'straight' | 'gentle' | 'tight' | 'features';

/** A length of tape edge: all alike parts together. */
export interface TapeEdge {
  readonly lengthM: number;
  readonly pieces: number;
  /** Setting its line out, minutes. */
  readonly setOutMin: number;
  readonly corners: number;
  readonly bend: BendClass;
  /** Metres of it that lie on texture: where it makes a line that stays, its tape is sealed there. */
  readonly sealM: number;
}

/** An area as the order of coats sees it. */
export interface OrderArea {
  readonly id: AreaRef;
  /** Its lasting id on its part, and its code on the drawing. */
  readonly area: AreaId;
  readonly code: string;
  readonly part: PartId;
  /** How many alike, and all of them together. */
  readonly count: number;
  readonly sizeM2: number;
  /** What of it is covered loosely, by film hung over it; left out: nothing. */
  readonly bagM2?: number;
  /** Metres along it where it is a line so narrow that it is brushed along; null for any other area. */
  readonly narrowM: number | null;
  /** What shows now, `#rrggbb`. */
  readonly present: string;
  /** Existing system; null: bare. */
  readonly presentSystem: PaintSystemKey | null;
  readonly presentAgeMin: number;
  /** The existing finish was abraded before the first stage, for what goes over it. */
  readonly keyed: boolean;
  /** Planned finish; null: kept. */
  readonly finish: FinishId | null;
  /** A kept area that is already in this finish: it may stay open while that is sprayed. */
  readonly alike: string | null;
  /** The finish fades out within it: no hard edge against what is kept beside it. */
  readonly blend: boolean;
  /** A strip as wide as a tape on the shelf: one tape covers it, both edges at once. Null for any other area. */
  readonly strip: TapeEdge | null;
  /** Of an area so narrow that the tapes along its lines can cover it: how wide these are, mm. Left out: it is wider. */
  readonly narrow?: number;
}

/** Where two areas meet. */
export interface OrderBorder extends TapeEdge, BuiltBorder {
  /** Indices into the areas. */
  readonly a: number;
  readonly b: number;
  /** True where an area meets what is beyond its part. */
  readonly rim?: boolean;
  /** True where it is masked only while `a` is painted; left out: both ways. */
  readonly oneWay?: boolean;
}

/** What a person insists on. */
export interface OrderRules {
  /** A whole order; finishes it leaves out follow. */
  readonly order: readonly string[] | null;
  /** This finish before that one. */
  readonly before: readonly { readonly first: string; readonly then: string }[];
  /** This area open or covered while that finish is sprayed. */
  readonly pins: readonly { readonly finish: FinishId; readonly area: number; readonly open: boolean }[];
  /** These two finishes through the same gun. */
  readonly sameGun: readonly (readonly [string, string])[];
  /** `fresh`: every mask comes off after its stage; `free`: masks may stay on where their windows allow it. */
  readonly masks: 'fresh' | 'free';
  /** Masks on kept areas stay on through primer, colour and clear of what is beside them. */
  readonly through: boolean;
  /** Masks may stay on past the wanted window as long as the tape comes off clean, at a stated risk. */
  readonly late: boolean;
  readonly mostStages: number | null;
  /** Colours may be sprayed wider than they stay whenever that is cheaper, not only if it is much cheaper. */
  readonly wide: boolean;
  /** Orders that cost no more than this share above the cheapest are equals. */
  readonly equalShare: number;
  /** Pairs of systems a person vouches for. */
  readonly vouched: readonly { readonly lower: PaintSystemKey; readonly upper: PaintSystemKey }[];
}

export const NO_RULES: OrderRules = {
  order: null,
  before: [],
  pins: [],
  sameGun: [],
  masks: 'free',
  through: false,
  late: false,
  mostStages: null,
  wide: false,
  equalShare: RULE_OF_THUMB.equalShare,
  vouched: [],
};

/** A coat over several finishes at once: primer before, clear after. */
export interface Layer {
  readonly finish: FinishId;
  /** Which areas get it, by index. */
  readonly areas: readonly boolean[];
}

/** Work and material of manual pieces. */
export interface OwnWork {
  readonly layMin: number;
  /** Taking them off, after the pull. */
  readonly offMin: number;
  readonly tapeM: number;
  readonly drapeM2: number;
}
export const NO_OWN_WORK: OwnWork = { layMin: 0, offMin: 0, tapeM: 0, drapeM2: 0 };

/** Schools a person has chosen for single lines: of an edge, and all there are. */
export interface LinePullTimings {
  readonly of: (edge: Pick<MaskEdge, 'border' | 'closed' | 'strip'>) => PullTiming | null;
  readonly schools: readonly PullTiming[];
}

/** Everything the order of coats depends on. */
export interface OrderProblem {
  readonly areas: readonly OrderArea[];
  readonly borders: readonly OrderBorder[];
  /** Openings to be plugged when a part is first sprayed, by part; all alike parts together. */
  readonly plugs: ReadonlyMap<string, number>;
  /** Minutes to close them, by part, all alike together; left out: as many as a plug takes each. */
  readonly plugMin?: ReadonlyMap<string, number>;
  /** Minutes to open them again, by part, all alike together; left out: as many as a plug takes each. */
  readonly unplugMin?: ReadonlyMap<string, number>;
  /** What a person lays besides, each time a finish is sprayed; left out: nothing. */
  readonly own?: ReadonlyMap<FinishId, OwnWork>;
  /** Parts each part is attached to, both ways; detached ones are left out. */
  readonly attached: ReadonlyMap<string, readonly string[]>;
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly air: DryingAir;
  /** The air it is sprayed in, until its last coat is on: what flashes between coats. */
  readonly sprayAir: DryingAir;
  readonly model: boolean;
  /** Pull timing chosen for the job; null: as each finish prefers. */
  readonly school: PullTiming | null;
  /** Shortest clean-removal time of all tapes on the shelf, h at 23 °C: what comes off within it is no question of the tape. */
  readonly shortestHours: number;
  /** Longest clean-removal time of the tapes that can make an edge, h at 23 °C; Infinity where none can. */
  readonly lastsH: (edge: MaskEdge) => number;
  /**
   * Pull timing chosen for the line of an edge; null: as the rest of its mask. Left out: for no line. All edges of a
   * strip share one.
   */
  readonly pulls?: LinePullTimings;
  readonly wish: Aim;
  readonly rules: OrderRules;
  /** Layers applied before and after the finishes of the areas. */
  readonly primer: Layer | null;
  readonly clear: Layer | null;
}

/** Finishes the areas use, in the order they first appear. */
export const finishesInUse = ({ areas }: Pick<OrderProblem, 'areas'>): string[] => [
  ...new Set(areas.flatMap(({ finish }) => (finish === null ? [] : [finish]))),
];

/** The finish with this id; a job is never ordered with one that is missing. */
export function finishOf(problem: OrderProblem, id: string): Finish {
  const finish = problem.finishes.get(id);
  if (!finish) throw new RangeError(`no finish ${id} in this problem`);
  return finish;
}
