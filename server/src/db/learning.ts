import {
  type FinishObservation,
  learnedFactorFrom,
  type LearnedFinish,
  observationsIn,
  type ObservedSheet,
  type PersonSpeed,
  personSpeeds,
  type StepMinutes,
} from '@lintrel/core';
import { listObservedEntries } from './log';
import type { Queryable } from './pool';

/** Jobs that are looked through for what was seen, the newest first. */
const MOST_JOBS = 100;

/** What the shop has learned of its finishes. */
export async function listLearned(db: Queryable): Promise<LearnedFinish[]> {
  const { rows } = await db.query<{ finish: string; learned: Omit<LearnedFinish, 'finish'> }>(
    'SELECT finish, learned FROM finish_learning WHERE learned IS NOT NULL ORDER BY finish',
  );
  return rows.map(({ finish, learned }) => ({ finish, ...learned }));
}

/** Everything that was seen of a finish since it was last set back, with the job it was seen on; the newest last. */
export async function listObservations(
  db: Queryable,
  finish: string,
): Promise<(FinishObservation & { readonly job: string; readonly title: string })[]> {
  const { rows: since } = await db.query<{ since: Date | null }>(
    "SELECT nullif(since, '-infinity') AS since FROM finish_learning WHERE finish = $1",
    [finish],
  );
  const from = since[0]?.since?.getTime() ?? -Infinity;
  const { rows: jobs } = await db.query<{ id: string; title: string }>(
    `SELECT id, title FROM jobs WHERE deleted_at IS NULL AND EXISTS (SELECT 1 FROM run_log WHERE job_id = jobs.id AND saw->>'kind' IN ('feel', 'pull')) ORDER BY updated_at DESC LIMIT $1`,
    [MOST_JOBS],
  );
  const seen: (FinishObservation & { job: string; title: string })[] = [];
  for (const { id, title } of jobs) {
    const { rows: sheets } = await db.query<ObservedSheet>(
      `SELECT id::int AS sheet, plan->'steps' AS steps, plan->'stages' AS stages, plan->'learned' AS learned FROM started_plans
        WHERE job_id = $1 AND id IN (SELECT sheet FROM run_log WHERE job_id = $1 AND saw->>'kind' IN ('feel', 'pull')) ORDER BY id DESC LIMIT 3`,
      [id],
    );
    const events = await listObservedEntries(db, id);
    for (const sheet of sheets) {
      // Plans of another make may have no windows: nothing is learned from them.
      if (!Array.isArray(sheet.stages) || !Array.isArray(sheet.steps)) continue;
      const observations = observationsIn(
        { ...sheet, learned: sheet.learned ?? [] },
        events.filter((event) => event.sheet === sheet.sheet),
      );
      seen.push(
        ...observations
          .filter((observation) => observation.finish === finish && Date.parse(observation.at) >= from)
          .map((observation) => ({ ...observation, job: id, title })),
      );
    }
  }
  return seen.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** Recomputes and stores what is known of a finish. */
export async function updateLearning(db: Queryable, finish: string): Promise<void> {
  const { factor, low, high, count } = learnedFactorFrom(
    (await listObservations(db, finish)).map(({ observation }) => observation),
  );
  const learned = count === 0 ? null : { factor, low, high, count };
  await db.query(
    'INSERT INTO finish_learning (finish, learned) VALUES ($1, $2) ON CONFLICT (finish) DO UPDATE SET learned = excluded.learned',
    [finish, learned && JSON.stringify(learned)],
  );
}

/** Recomputes what is known of every finish with observations, after jobs were removed or restored. */
export async function updateAllLearning(db: Queryable): Promise<void> {
  const { rows } = await db.query<{ finish: string }>('SELECT finish FROM finish_learning ORDER BY finish');
  for (const { finish } of rows) await updateLearning(db, finish);
}

/** Working speeds in this shop, from the jobs whose logs changed last. */
export async function listSpeeds(db: Queryable): Promise<PersonSpeed[]> {
  const { rows } = await db.query<{ took: StepMinutes[] }>(
    'SELECT took FROM jobs WHERE took IS NOT NULL AND deleted_at IS NULL ORDER BY updated_at DESC LIMIT $1',
    [MOST_JOBS],
  );
  const { rows: set } = await db.query<{ since: Date }>('SELECT since FROM work_learning');
  const from = set[0]?.since.getTime() ?? -Infinity;
  return personSpeeds(rows.flatMap(({ took }) => took.filter(({ atMs }) => atMs >= from)));
}

/** From now on how long steps took before counts no more. */
export async function resetSpeeds(db: Queryable, since: Date): Promise<void> {
  await db.query(
    'INSERT INTO work_learning (since) VALUES ($1) ON CONFLICT (id) DO UPDATE SET since = excluded.since',
    [since],
  );
}

/** From now on what was seen before counts no more. */
export async function resetLearning(db: Queryable, finish: string, since: Date): Promise<void> {
  await db.query(
    'INSERT INTO finish_learning (finish, since) VALUES ($1, $2) ON CONFLICT (finish) DO UPDATE SET since = excluded.since, learned = NULL',
    [finish, since],
  );
}

/** Finishes of the stages these steps belong to, on the newest sheet of a job. */
export async function finishesOfSteps(db: Queryable, jobId: string, steps: readonly string[]): Promise<string[]> {
  const { rows } = await db.query<{ finish: string }>(
    `SELECT DISTINCT stage->>'finish' AS finish
       FROM (SELECT plan FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1) AS sheet,
            json_array_elements(CASE WHEN json_typeof(plan->'stages') = 'array' THEN plan->'stages' ELSE '[]' END) AS stage,
            json_array_elements(CASE WHEN json_typeof(plan->'steps') = 'array' THEN plan->'steps' ELSE '[]' END) AS step
      WHERE step->>'id' = ANY($2) AND step->>'stage' = stage->>'number' AND stage->>'finish' IS NOT NULL`,
    [jobId, steps],
  );
  return rows.map(({ finish }) => finish);
}
