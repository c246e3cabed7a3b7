import {
  type PlanLists,
  rollLengthM,
  type Shelf,
  type StepId,
  type StockMove,
  type StockReserved,
  type StockTable,
  stockUse,
} from '@lintrel/core';
import type { Queryable } from './pool';
import { readShelf } from './shelf';

const COUNTED = { tapes: 'rolls', supplies: 'packs' } as const satisfies Record<StockTable, string>;

/** A change of stock. */
export interface NewMove extends Omit<StockMove, 'seq'> {
  /** Id of the entry that caused it; booked once. */
  readonly cause: string;
}

/**
 * Books a change of the stock. A count sets what there is, or that it is not counted; what is used up never leaves less than nothing.
 * @returns false where there is no such entry
 */
export async function bookMove(db: Queryable, move: NewMove): Promise<boolean> {
  const { cause, stuff, code, reason, packs, jobId, step, note, at } = move;
  const column = COUNTED[stuff];
  const { rowCount: known } = await db.query(`SELECT 1 FROM ${stuff} WHERE code = $1`, [code]);
  if (known === 0) return false;
  const { rowCount } = await db.query(
    `INSERT INTO stock_moves (cause, stuff, code, reason, packs, job_id, step, note, at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     ON CONFLICT (cause, stuff, code) DO NOTHING`,
    [cause, stuff, code, reason, packs, jobId, step, note, at],
  );
  if (rowCount === 1) {
    const added = `greatest(0, coalesce(${column}, 0) + $2::float8)`;
    const next = reason === 'received' || reason === 'used' || reason === 'back' ? added : '$2::float8';
    await db.query(`UPDATE ${stuff} SET ${column} = ${next} WHERE code = $1`, [
      code,
      reason === 'uncounted' ? null : packs,
    ]);
  }
  return true;
}

interface MoveRow extends Omit<StockMove, 'at' | 'jobId'> {
  readonly at: Date;
  readonly job_id: string | null;
}

/** The newest changes of one entry, the newest first. */
export async function listMoves(db: Queryable, stuff: StockTable, code: string): Promise<StockMove[]> {
  const { rows } = await db.query<MoveRow>(
    `SELECT seq::int, stuff, code, reason, packs, job_id, step, note, at FROM stock_moves WHERE stuff = $1 AND code = $2 ORDER BY stock_moves.seq DESC LIMIT 30`,
    [stuff, code],
  );
  return rows.map(({ job_id: jobId, at, ...row }) => ({ ...row, jobId, at: at.toISOString() }));
}

/** Items a step of a started job lays; none for a step that lays nothing, or of a plan from before there were items. */
async function itemsLaid(db: Queryable, jobId: string, step: StepId): Promise<unknown[]> {
  const { rows } = await db.query<{ item: unknown }>(
    `WITH started AS (SELECT plan FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1),
          named AS (SELECT json_array_elements_text(CASE json_typeof(one->'items') WHEN 'array' THEN one->'items' END) AS id FROM started, json_array_elements(started.plan->'steps') one
                     WHERE one->>'id' = $2 AND one->>'kind' IN ('lay', 'cover', 'plug', 'seal'))
     SELECT item FROM started, json_array_elements(CASE json_typeof(started.plan->'items') WHEN 'array' THEN started.plan->'items' END) item WHERE item->>'id' IN (SELECT id FROM named)`,
    [jobId, step],
  );
  return rows.map(({ item }) => item);
}

/** Books what a step that is done used up, of what is counted; and back where it was not done after all. */
export async function bookStep(
  db: Queryable,
  jobId: string,
  event: { id: string; at: string; kind: string; step: StepId | null },
): Promise<void> {
  const { id: cause, at, kind, step } = event;
  if (step === null || (kind !== 'done' && kind !== 'undo')) return;
  const common = { cause, jobId, step, note: '', at };
  const { rows: booked } = await db.query<{ stuff: StockTable; code: string; packs: number }>(
    'SELECT stuff, code, sum(packs) AS packs FROM stock_moves WHERE job_id = $1 AND step = $2 GROUP BY stuff, code HAVING sum(packs) < 0',
    [jobId, step],
  );
  if (kind === 'undo') {
    for (const { stuff, code, packs } of booked)
      await bookMove(db, { ...common, stuff, code, packs: -packs, reason: 'back' });
    return;
  }
  // A step logged as done twice uses its tape once.
  if (booked.length > 0) return;
  const items = await itemsLaid(db, jobId, step);
  if (items.length === 0) return;
  for (const { stuff, code, packs } of stockUse(items, await readShelf(db)))
    await bookMove(db, { ...common, stuff, code, packs: -packs, reason: 'used' });
}

/** What started jobs that are not finished will still take, in rolls and packs, by entry. */
export async function listReserved(db: Queryable, shelf: Shelf): Promise<StockReserved[]> {
  const { rows } = await db.query<{
    title: string;
    lists: Partial<Pick<PlanLists, 'tape' | 'supplies'>> | null;
    used: Record<string, number> | null;
  }>(
    `SELECT DISTINCT ON (started.job_id) jobs.title, started.plan->'lists' AS lists,
            (SELECT json_object_agg(stuff || ' ' || code, packs) FROM
               (SELECT stuff, code, -sum(packs) AS packs FROM stock_moves WHERE job_id = started.job_id GROUP BY stuff, code) AS used) AS used
       FROM started_plans started JOIN jobs ON jobs.id = started.job_id
      WHERE (SELECT kind FROM run_log WHERE job_id = started.job_id AND kind IN ('start', 'finish') ORDER BY seq DESC LIMIT 1) IS DISTINCT FROM 'finish' AND jobs.archived_at IS NULL AND jobs.deleted_at IS NULL
      ORDER BY started.job_id, started.id DESC`,
  );
  const reserved = new Map<string, { stuff: StockTable; code: string; packs: number; jobs: string[] }>();
  for (const { title, lists, used } of rows) {
    const add = (stuff: StockTable, code: string | null, packs: number) => {
      const left = packs - (used?.[`${stuff} ${code ?? ''}`] ?? 0);
      if (code === null || !(left > 1e-6)) return;
      const entry = reserved.get(`${stuff} ${code}`) ?? { stuff, code, packs: 0, jobs: [] };
      reserved.set(`${stuff} ${code}`, { ...entry, packs: entry.packs + left, jobs: [...entry.jobs, title] });
    };
    for (const { tape, lengthM } of listed(lists?.tape)) add('tapes', tape, rollsOf(shelf, tape, lengthM));
    for (const { code, amount } of listed(lists?.supplies)) add('supplies', code, packsOf(shelf, code, amount));
  }
  return [...reserved.values()];
}

/** A list of a plan that may have come from elsewhere. */
const listed = <T>(list: readonly T[] | undefined): readonly T[] =>
  Array.isArray(list) ? list.filter((row) => typeof row === 'object' && row !== null) : [];

const rollsOf = ({ tapes }: Shelf, code: string, lengthM: number): number => {
  const tape = tapes.find((other) => other.code === code);
  return tape ? lengthM / rollLengthM(tape) : 0;
};
const packsOf = ({ supplies = [] }: Shelf, code: string | null, amount: number): number => {
  const supply = supplies.find((other) => other.code === code);
  return supply ? amount / supply.pack : 0;
};
