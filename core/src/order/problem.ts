import type { Finish, School } from '../finish';
import type { DryingAir } from '../drying';

/** How hard a border bends: decides how long a metre of its tape takes. */
export type BendClass = 'straight' | 'gentle' | 'tight';

/** An area as the order of coats sees it. */
export interface OrderArea {
  /** Part and code, `side/A2`. */
  readonly id: string;
  /** All alike parts together. */
  readonly sizeM2: number;
  /** What shows now, `#rrggbb`. */
  readonly present: string;
  /** Finish it shall get; null: kept. */
  readonly finish: string | null;
  /** True for a strip as wide as a tape on the shelf: one tape covers it, both edges at once. */
  readonly oneTapeWide: boolean;
}

/** Where two areas meet. */
export interface OrderBorder {
  /** Indices into the areas. */
  readonly a: number;
  readonly b: number;
  /** All alike parts together. */
  readonly lengthM: number;
  readonly pieces: number;
  /** Points to be measured when its line is set out. */
  readonly points: number;
  readonly bend: BendClass;
}

/** Everything the order of coats depends on. */
export interface OrderProblem {
  readonly areas: readonly OrderArea[];
  readonly borders: readonly OrderBorder[];
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly air: DryingAir;
  readonly model: boolean;
  /** School a person has chosen for the job; null: as each finish prefers. */
  readonly school: School | null;
}

/** Finishes the job uses, in the order they first appear. */
export const usedFinishes = ({ areas }: OrderProblem): string[] => [...new Set(areas.flatMap(({ finish }) => (finish === null ? [] : [finish])))];
