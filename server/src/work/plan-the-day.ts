import {
  type AirReading,
  airTroublesDuring,
  boothState,
  type CalendarDay,
  type DayAnswer,
  type DayPlan,
  type DayWork,
  expectedAir,
  type GunConflict,
  type Heat,
  type Message,
  type MissedWindow,
  MS_PER_MINUTE,
  type PersonSpeed,
  type Plan,
  planDay,
  type RunningJob,
  type ScheduleTrouble,
  type ShopAir,
  type ShopDay,
  type Step,
  type StoredOrder,
} from '@lintrel/core';
import { findProgress, listJobsInShop } from '../db/job-list';
import type { Queryable } from '../db/pool';

// The day's plan of the shop: what is read for it, and its answer. Computed in a worker process.

/** So many days are planned from today on. */
export const DAYS_PLANNED = 14;

/** What a plan of the day is made from, as plain data. */
export interface DayInput {
  readonly jobs: readonly {
    readonly id: string;
    readonly title: string;
    readonly steps: readonly Step[];
    readonly doneMs: readonly (readonly [string, number])[];
    readonly heats: readonly Heat[];
    /** Number of its work sheet. */
    readonly sheet?: number;
  }[];
  readonly shop: ShopDay;
  readonly now: number;
  readonly before: StoredOrder | null;
  /** The air as it was read off, minutes since 1970. */
  readonly measured: readonly AirReading[];
  /** How quick hands are here. */
  readonly speeds?: readonly PersonSpeed[];
  /** A job that has not been begun, with its plan as JSON: what would be if it were begun now. */
  readonly asIf?: { readonly id: string; readonly title: string; readonly plan: string } | null;
  /** What a person has fixed. */
  readonly pins: readonly { readonly work: string; readonly person: string | null; readonly atMs: number | null }[];
}

/** Reads what is left of every job in the shop. */
export async function jobsAtWork(db: Queryable): Promise<DayInput['jobs']> {
  const jobs = await listJobsInShop(db);
  return Promise.all(
    jobs.map(async ({ id, title }) => {
      const { started, progress } = await findProgress(db, id);
      return {
        id,
        title,
        sheet: started?.sheet,
        steps: started?.steps ?? [],
        doneMs: [...progress.doneAt],
        heats: progress.heats,
      };
    }),
  );
}

/** Midnights of some days where the shop is, from a moment on: days of a change of clocks are an hour shorter or longer. */
export function calendarFrom(nowMs: number, zone: string, days: number): CalendarDay[] {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  const read = (ms: number) =>
    Object.fromEntries(parts.formatToParts(ms).map(({ type, value }) => [type, value])) as Record<string, string>;
  const midnightOf = (ms: number): number => {
    const { hour, minute } = read(ms);
    const guess = ms - (Number(hour) * 60 + Number(minute)) * MS_PER_MINUTE - (ms % MS_PER_MINUTE);
    // Where the clocks were changed since, the guess is an hour off.
    const off = read(guess);
    const late = Number(off.hour) * 60 + Number(off.minute);
    return late === 0 ? guess : guess + (late > 720 ? 1440 - late : -late) * MS_PER_MINUTE;
  };
  const first = midnightOf(nowMs);
  return Array.from({ length: days }, (_, index) => {
    const ms = midnightOf(first + index * 1440 * MS_PER_MINUTE + 12 * 60 * MS_PER_MINUTE);
    const { year, month, day } = read(ms);
    const date = `${year}-${month}-${day}`;
    return { midnightMin: ms / MS_PER_MINUTE, date, weekday: (new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7 };
  });
}

const ms = (min: number): number => Math.round(min * MS_PER_MINUTE);

/** A job on the clock of the plan, in minutes. */
const runningJob = ({ id, title, steps, doneMs, heats }: DayInput['jobs'][number]): RunningJob => ({
  id,
  title,
  steps,
  heats,
  doneMin: new Map(doneMs.map(([step, doneAt]) => [step, doneAt / MS_PER_MINUTE])),
});

/** The stretches of work as they are planned, with the air they fall into and how late each may begin. */
function plannedWork(
  plan: DayPlan,
  byTask: ReadonlyMap<string, DayWork>,
  titles: ReadonlyMap<string, string>,
  pins: DayInput['pins'],
  troubleOf: ReturnType<typeof airTroublesDuring>,
): DayAnswer['work'] {
  return (plan.schedule?.placed ?? []).flatMap(({ task, startMin, endMin, workers, scuffMin }) => {
    const ownWork = byTask.get(task);
    if (!ownWork) return [];
    const pin = pins.find((other) => other.work === task);
    const latest = plan.latest.find((latestStart) => latestStart.task === task);
    const missed = latest?.missed && byTask.get(latest.missed.task);
    return [
      {
        id: task,
        job: ownWork.job,
        title: titles.get(ownWork.job) ?? '',
        steps: ownWork.steps.map(({ id, say }) => ({ id, say })),
        startMs: ms(startMin),
        endMs: ms(endMin),
        people: [...workers],
        places: [...ownWork.task.places],
        scuffMin,
        pinned: pin ? { person: pin.person, atMs: pin.atMs } : null,
        air: troubleOf(ownWork.steps, startMin, endMin).map(({ code, atMin, worst }) => ({
          code,
          atMs: ms(atMin),
          worst,
        })),
        latest: latest
          ? {
              atMs: ms(latest.latestMin),
              missed: missed ? { say: missed.steps[0]!.say, atMs: ms(latest.missed!.atMin) } : null,
            }
          : null,
      },
    ];
  });
}

const missedSaid = (
  { job, step, code, closedMin, againMin }: MissedWindow,
  titles: ReadonlyMap<string, string>,
): DayAnswer['missed'][number] => ({
  job,
  title: titles.get(job) ?? '',
  say: step.say,
  code,
  closedMs: ms(closedMin),
  againMs: againMin === null ? null : ms(againMin),
});

/** Plans the day, and puts it as an answer. */
export function planTheDay({ jobs: begun, asIf = null, shop, now, before, measured, pins, speeds = [] }: DayInput): {
  readonly answer: DayAnswer;
  readonly kept: StoredOrder;
} {
  const jobs = asIf
    ? [...begun, { ...asIf, steps: (JSON.parse(asIf.plan) as Plan).steps, doneMs: [], heats: [] }]
    : begun;
  const nowMin = Math.floor(now / MS_PER_MINUTE);
  const days = calendarFrom(now, shop.zone, DAYS_PLANNED);
  const air: ShopAir = { measured, expected: expectedAir(shop, days) };
  const plan = planDay(jobs.map(runningJob), shop, days, nowMin, {
    before,
    air,
    speeds,
    pins: pins.map(({ work, person, atMs }) => ({
      work,
      person,
      atMin: atMs === null ? null : Math.floor(atMs / MS_PER_MINUTE),
    })),
  });
  const titles = new Map(jobs.map(({ id, title }) => [id, title]));
  const byTask = new Map(plan.work.map((other) => [other.task.id, other]));
  const work = plannedWork(plan, byTask, titles, pins, airTroublesDuring(air));
  const answer: DayAnswer = {
    now,
    people: shop.people.map(({ id, name }) => ({ id, name })),
    work: [...work].sort((a, b) => a.startMs - b.startMs || (a.id < b.id ? -1 : 1)),
    endMs: plan.schedule && work.length > 0 ? ms(plan.schedule.endMin) : null,
    leastEndMs: ms(plan.leastEndMin),
    proven: plan.proven,
    binding: plan.binding.filter(({ task }) => byTask.has(task)).map(({ task, by }) => ({ work: task, by })),
    oneMix: plan.oneMix.map(({ first, second, mixSteps, ...one }) => ({
      ...one,
      first: titles.get(first) ?? '',
      second: titles.get(second) ?? '',
      mixes: [first, second].map((job, index) => ({
        job,
        step: mixSteps[index]!,
        sheet: jobs.find(({ id }) => id === job)?.sheet,
      })),
    })),
    more: plan.more,
    booth: jobs.flatMap(({ id, title, steps, doneMs }) => {
      const state = boothState(steps, new Map(doneMs), null, now);
      return state ? [{ job: id, title, ...state }] : [];
    }),
    troubles: [
      ...plan.troubles.map((trouble) => troubleSaid(trouble, shop, (task) => byTask.get(task), titles)),
      ...(plan.clash ? [clashSaid(plan.clash, titles)] : []),
    ],
    missed: plan.missed.map((missed) => missedSaid(missed, titles)),
  };
  return { answer, kept: plan.kept };
}

const clashSaid = ({ waits, until }: GunConflict, titles: ReadonlyMap<string, string>): Message => ({
  code: 'day.gun',
  values: {
    job: titles.get(until.job) ?? '',
    finish: until.finish,
    other: titles.get(waits.job) ?? '',
    otherFinish: waits.finish,
  },
});

function troubleSaid(
  trouble: ScheduleTrouble,
  shop: ShopDay,
  workOf: (task: string) => { readonly job: string; readonly steps: readonly Step[] } | undefined,
  titles: ReadonlyMap<string, string>,
): Message {
  const facts = (task: string) => {
    const work = workOf(task);
    return { step: work?.steps[0]?.say ?? { code: 'day.none', values: {} }, job: titles.get(work?.job ?? '') ?? '' };
  };
  switch (trouble.code) {
    case 'no-workers':
    case 'none':
      return { code: `day.${trouble.code}`, values: {} };
    case 'no-hours':
      return {
        code: 'day.no-hours',
        values: { person: shop.people.find(({ id }) => id === trouble.worker)?.name ?? '' },
      };
    case 'closed':
      return { code: 'day.closed', values: facts(trouble.task) };
    case 'hands':
      return { code: 'day.hands', values: { ...facts(trouble.task), hands: trouble.hands, people: trouble.workers } };
    case 'too-long':
      return {
        code: 'day.too-long',
        values: { ...facts(trouble.task), minutes: trouble.minutes, longestMin: trouble.longestMin },
      };
    case 'window': {
      const other = workOf(trouble.other);
      return {
        code: 'day.window',
        values: {
          ...facts(trouble.task),
          after: other?.steps[other.steps.length - 1]?.say ?? null,
          maxMin: trouble.maxMin,
          extraMin: trouble.extraMin,
        },
      };
    }
    case 'pinned':
      return { code: 'day.pinned', values: facts(trouble.task) };
  }
}
