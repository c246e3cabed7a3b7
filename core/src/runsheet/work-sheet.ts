import { type Message, message, type StepId } from '../kit';
import type { AfterRule, Step, StepKind } from './step';

/** A plan as frozen when a job was started, in the version of that day. */
export interface FrozenPlan {
  readonly format: 'lintrel-plan';
  readonly version: number;
  readonly steps: readonly unknown[];
  readonly safety?: readonly string[];
}

/** What is worked by in the shop. */
export interface WorkSheet {
  readonly steps: readonly Step[];
  /** Cautions by code; those of version 1 are sentences and stay as they are. */
  readonly safety: readonly string[];
}

/** Reads a frozen plan; an older one is upgraded step by step. */
export function readWorkSheet(plan: FrozenPlan): WorkSheet {
  const safety = plan.safety ?? [];
  return plan.version === 1
    ? { steps: (plan.steps as readonly StepOf1[]).map(fromVersion1), safety }
    : { steps: plan.steps as readonly Step[], safety };
}

/** A step of version 1: sentences, and windows after other steps. */
interface StepOf1 {
  readonly id: StepId;
  readonly stage: number;
  readonly kind: 'plug' | 'lay' | 'cover' | 'prepare' | 'gate' | 'coat' | 'pull' | 'unplug';
  readonly title: string;
  readonly detail: string;
  readonly windows: readonly {
    readonly after: StepId;
    readonly fromMin: number;
    readonly toMin: number | null;
    readonly what: string;
  }[];
}

/** Version 1 → 2: its sentences stay as written; it had no minutes. */
function fromVersion1({ id, stage, kind, title, detail, windows }: StepOf1): Step {
  const say: Message = message('step.typed', { title, detail });
  return {
    id,
    stage,
    kind: KINDS_OF_1[kind],
    items: [],
    startMin: 0,
    endMin: 0,
    attended: true,
    needs: ['person'],
    after: windows.map(({ after, fromMin, toMin }): AfterRule => ({
      step: after,
      from: 'end',
      minMin: fromMin,
      maxMin: toMin,
      code: codeOf1(kind, id, after),
    })),
    say,
    safety: [],
  };
}

const KINDS_OF_1: Readonly<Record<StepOf1['kind'], StepKind>> = {
  plug: 'plug',
  lay: 'lay',
  cover: 'cover',
  prepare: 'abrade',
  gate: 'gate',
  coat: 'coat',
  pull: 'pull',
  unplug: 'unplug',
};

/** What a window of version 1 was for, by the steps it lay between: `s2-coat-1` is the first coat of stage 2. */
function codeOf1(kind: StepOf1['kind'], id: string, after: string): string {
  if (kind === 'coat') return id.split('-')[0] === after.split('-')[0] ? 'recoat' : 'over';
  return kind === 'pull' ? 'pull' : 'tape-safe';
}
