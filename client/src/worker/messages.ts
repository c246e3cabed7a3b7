import type {
  AimOrder,
  Design,
  DragRequest,
  DragResult,
  Handle,
  JobSearch,
  LineAnalysis,
  LineFit,
  Match,
  Measured,
  Part,
  PartPlan,
  Picture,
  Plan,
  Shelf,
  StationRequest,
  StationTable,
  ViewPoint,
} from '@lintrel/core';
import type { ListPatch, ReferenceList } from './listPatch';

interface OneLine {
  readonly part: string;
  readonly line: string;
}

/** What can be asked about the open job: with what, and what the answer is. */
export interface Views {
  fits: { readonly input: OneLine; readonly output: readonly LineFit[] };
  analysis: { readonly input: OneLine; readonly output: LineAnalysis | null };
  handles: { readonly input: OneLine; readonly output: readonly Handle[] };
  match: {
    readonly input: OneLine & { readonly datum: string; readonly measured: readonly Measured[] };
    readonly output: Match | null;
  };
  stations: { readonly input: StationRequest; readonly output: StationTable | null };
  picture: { readonly input: { readonly look: ViewPoint }; readonly output: Picture };
  /** Lines and areas of a design that is being typed or tried; `carry`: the finishes of the open job follow their areas. */
  draft: {
    readonly input: { readonly design: Design; readonly carry?: boolean };
    readonly output: readonly PartPlan[];
  };
  /** The plan with another scheme of the job, by index. */
  scheme: { readonly input: { readonly other: number }; readonly output: Plan };
  wishes: { readonly input: Record<string, never>; readonly output: readonly AimOrder[] };
  /** A long search; its news come one after another. */
  search: { readonly input: Record<string, never>; readonly output: JobSearch };
}
export type ViewName = keyof Views;

/** A design on its way: parts the other side has are named. */
export type DesignMessage = Omit<Design, 'parts'> & { readonly parts: ReferenceList<Part> };

/** A plan on its way. */
export type PlanMessage = Omit<Plan, 'parts' | 'items' | 'steps' | 'stages'> & {
  readonly parts: ListPatch<PartPlan>;
  readonly items: ListPatch<Plan['items'][number]>;
  readonly steps: ListPatch<Plan['steps'][number]>;
  readonly stages: ListPatch<Plan['stages'][number]>;
};

/** Messages from a screen to the session. `id` identifies the message; answers carry it. */
export type ToSession =
  | {
      readonly kind: 'set';
      readonly id: number;
      readonly design: DesignMessage;
      /** Left out: as before. */
      readonly shelf?: Shelf;
      /** True if the design follows from the previous one: finishes follow their areas, and the result is sent first. */
      readonly carry: boolean;
    }
  | { readonly kind: 'drag'; readonly id: number; readonly wish: DragRequest }
  | { readonly kind: 'ask'; readonly id: number; readonly view: ViewName; readonly input: unknown }
  | { readonly kind: 'leave'; readonly id: number };

/** Messages of the session. */
export type FromSession =
  | { readonly kind: 'design'; readonly id: number; readonly design: DesignMessage }
  | { readonly kind: 'parts'; readonly id: number; readonly parts: ListPatch<PartPlan> }
  | { readonly kind: 'plan'; readonly id: number; readonly plan: PlanMessage }
  | { readonly kind: 'dragged'; readonly id: number; readonly dragged: DragResult | null }
  | { readonly kind: 'answer'; readonly id: number; readonly output: unknown }
  | { readonly kind: 'error'; readonly id: number; readonly message: string };
