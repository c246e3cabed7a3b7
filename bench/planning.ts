import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  applyDrag,
  carryScheme,
  type Design,
  handlesOf,
  newPartCache,
  type PartCache,
  planJob,
  planSteps,
  readJobFile,
  type Shelf,
  SHIPPED_SHELF,
} from '@lintrel/core';
import type { FromSession, ToSession } from '../client/src/worker/messages';
import { createSession } from '../client/src/worker/session';
import { largeJob } from './large-job';

/** What planning one job takes, ms; medians. */
export interface Planning {
  readonly name: string;
  readonly full: number;
  /** Of it the search for the order. */
  readonly search: number;
  /** Again after a point was moved, with the cache; and the search alone. */
  readonly moved: number;
  readonly movedSearch: number;
  /** Until lines and areas are there after that. */
  readonly geometry: number;
}

export interface Job {
  readonly name: string;
  readonly design: Design;
  readonly shelf: Shelf;
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** The demo jobs, and one that is far larger. */
export const jobs = (): Job[] => [
  ...readdirSync('examples').map((file): Job => {
    const read = readJobFile(readFileSync(join('examples', file), 'utf8'));
    if (!read.ok) throw new Error(`${file} cannot be read`);
    return { name: file.replace('.json', ''), design: read.value.design, shelf: read.value.shelf };
  }),
  { name: '40 parts', design: largeJob(), shelf: SHIPPED_SHELF },
];

/** A job with a point of one of its lines a little elsewhere, another place every turn; finishes follow their areas. */
export function movedJob({ design }: Job, turn: number, store: PartCache): Design {
  for (const { id: part, lines, opposite } of design.parts) {
    if (opposite?.follows) continue;
    for (const { id: line } of lines) {
      const handle = handlesOf(design.parts, part, line, store).at(-1);
      if (!handle) continue;
      const place = [handle.place[0] + 0.5 + 0.1 * turn, handle.place[1] + 0.3] as const;
      const result = applyDrag(design.parts, { part, line, key: handle.key, place, reachMm: 0, tapes: [] }, store);
      if (!result || result.fault) continue;
      const parts = design.parts.map((otherPart) =>
        otherPart.id === part
          ? { ...otherPart, lines: otherPart.lines.map((other) => (other.id === line ? result.line : other)) }
          : otherPart,
      );
      return carryScheme(design, { ...design, parts }, store);
    }
  }
  throw new Error('this job has no line that can be dragged');
}

/** Plans a job and measures geometry, search and total. */
function timed(design: Design, shelf: Shelf, store?: PartCache): { geometry: number; search: number; full: number } {
  const from = performance.now();
  const times: number[] = [];
  let geometry = 0;
  const steps = planSteps(design, shelf, store);
  for (let step = steps.next(); ; step = steps.next()) {
    times.push(performance.now() - from);
    // Each stage is written down in two steps, the sheet in one: what lies between geometry and them is the search.
    if (step.done)
      return {
        geometry,
        search: (times.at(-2 - 2 * step.value.stages.length - 1) ?? geometry) - geometry,
        full: times.at(-1)!,
      };
    if (step.value) geometry = times.at(-1)!;
  }
}

/** Measures one job. */
export function planning(job: Job, turns: number): Planning {
  const full: ReturnType<typeof timed>[] = [];
  const moved: ReturnType<typeof timed>[] = [];
  const store = newPartCache();
  planJob(job.design, job.shelf, store);
  for (let turn = 0; turn < 2 * turns; turn++) {
    const sample = timed(job.design, job.shelf);
    planJob(job.design, job.shelf, store);
    const other = timed(movedJob(job, turn, store), job.shelf, store);
    if (turn < turns) continue;
    full.push(sample);
    moved.push(other);
  }
  return {
    name: job.name,
    full: median(full.map((sample) => sample.full)),
    search: median(full.map(({ search }) => search)),
    moved: median(moved.map((sample) => sample.full)),
    movedSearch: median(moved.map(({ search }) => search)),
    geometry: median(moved.map(({ geometry }) => geometry)),
  };
}

/** What goes from the worker to the screen after a point was moved, MB; and for the first plan. */
export function messages(job: Job): { readonly first: number; readonly moved: number } {
  let bytes = 0;
  const waiting: (() => void)[] = [];
  const hear = createSession(
    (news: FromSession) => (bytes += JSON.stringify(news).length),
    (work) => waiting.push(work),
  );
  const set = (design: Design, id: number, carry: boolean) => {
    bytes = 0;
    hear({ kind: 'set', id, design, shelf: job.shelf, carry } satisfies ToSession);
    for (let work = waiting.shift(); work; work = waiting.shift()) work();
    return bytes / 1e6;
  };
  const first = set(job.design, 1, false);
  return { first, moved: set(movedJob(job, 3, newPartCache()), 2, false) };
}
