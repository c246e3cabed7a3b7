/** A wait that belongs to a step: it may be begun this long after another step was done. */
export interface StepWindow {
  readonly after: string;
  readonly fromMin: number;
  /** Null: it does not close. */
  readonly toMin: number | null;
  /** What the wait is for, in a few words. */
  readonly what: string;
}

export type StepKind = 'plug' | 'lay' | 'cover' | 'prepare' | 'gate' | 'coat' | 'pull' | 'unplug';

/** One thing to do, as the run sheet shows it. */
export interface Step {
  readonly id: string;
  /** Stage number, from 1. */
  readonly stage: number;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  /** Run this step lays; null for other steps. */
  readonly run: string | null;
  readonly windows: readonly StepWindow[];
}
