import type {
  Design,
  Dragged,
  DragWish,
  Handle,
  LineAnalysis,
  LineFit,
  Look,
  Match,
  Measured,
  PartPlan,
  Picture,
  Plan,
  Shelf,
  StationTable,
  StationWish,
  Tape,
  WishOrder,
} from '@lintrel/core';

interface OneLine {
  readonly parts: Design['parts'];
  readonly part: string;
  readonly line: string;
}

/** What can be asked of the worker, and what it answers. */
export interface WorkerJobs {
  plan: { readonly input: { readonly design: Design; readonly shelf: Shelf }; readonly output: Plan };
  /** `from`: the design the finishes of areas were given on; they follow their areas. */
  draft: { readonly input: { readonly design: Design; readonly shelf: Shelf; readonly from?: Design }; readonly output: readonly PartPlan[] };
  wishes: { readonly input: { readonly design: Design; readonly shelf: Shelf }; readonly output: readonly WishOrder[] };
  carry: { readonly input: { readonly before: Design; readonly after: Design }; readonly output: Design };
  fits: { readonly input: OneLine & { readonly tapes: readonly Tape[] }; readonly output: readonly LineFit[] };
  picture: { readonly input: { readonly design: Design; readonly shelf: Shelf; readonly look: Look }; readonly output: Picture };
  stations: { readonly input: { readonly design: Design; readonly wish: StationWish }; readonly output: StationTable | null };
  analysis: { readonly input: OneLine; readonly output: LineAnalysis | null };
  match: { readonly input: OneLine & { readonly datum: string; readonly measured: readonly Measured[] }; readonly output: Match | null };
  drag: { readonly input: DragWish; readonly output: Dragged | null };
  handles: { readonly input: OneLine; readonly output: readonly Handle[] };
}

export type WorkerJobName = keyof WorkerJobs;

export interface WorkerRequest<N extends WorkerJobName = WorkerJobName> {
  readonly id: number;
  readonly name: N;
  readonly input: WorkerJobs[N]['input'];
}

export type WorkerReply = { readonly id: number; readonly output: unknown } | { readonly id: number; readonly error: string };
