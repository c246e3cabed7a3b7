import { defaultShopDay, type KeptShopDay, readShopDay, type ShopDay, type StoredOrder } from '@lintrel/core';
import type { Queryable } from './pool';

/** The hours of the shop, or the defaults. */
export async function findShopDay(db: Queryable): Promise<KeptShopDay> {
  const { rows } = await db.query<{ revision: number; day: unknown }>(
    'SELECT revision, day FROM shop_days ORDER BY revision DESC LIMIT 1',
  );
  const day = rows[0] && readShopDay(rows[0].day);
  return rows[0] && day
    ? { revision: rows[0].revision, day }
    : { revision: 0, day: defaultShopDay(Intl.DateTimeFormat().resolvedOptions().timeZone, 'You') };
}

/** Saves hours over the revision they were changed from; null if there was another change. */
export async function saveShopDay(
  db: Queryable,
  revision: number,
  day: ShopDay,
  author: string | null,
): Promise<KeptShopDay | null> {
  const { rows } = await db.query<{ revision: number }>(
    `INSERT INTO shop_days (revision, day, author) SELECT $1 + 1, $2, $3 WHERE coalesce((SELECT max(revision) FROM shop_days), 0) = $1
     ON CONFLICT DO NOTHING RETURNING revision`,
    [revision, day, author],
  );
  return rows[0] ? { revision: rows[0].revision, day } : null;
}

/** What the last plan of the day decided; null: there was none. */
export async function findDayOrder(db: Queryable): Promise<StoredOrder | null> {
  return (await db.query<{ kept: StoredOrder }>('SELECT kept FROM day_orders')).rows[0]?.kept ?? null;
}

export async function saveDayOrder(db: Queryable, kept: StoredOrder): Promise<void> {
  await db.query('INSERT INTO day_orders (kept) VALUES ($1) ON CONFLICT (id) DO UPDATE SET kept = excluded.kept', [
    JSON.stringify(kept),
  ]);
}

/** What is fixed in the day's plan: by name of the stretch of work. */
export async function listPins(
  db: Queryable,
): Promise<{ readonly work: string; readonly person: string | null; readonly atMs: number | null }[]> {
  const { rows } = await db.query<{ work: string; person: string | null; at: Date | null }>(
    'SELECT work, person, at FROM day_pins ORDER BY work LIMIT 1000',
  );
  return rows.map(({ work, person, at }) => ({ work, person, atMs: at?.getTime() ?? null }));
}

/** Pins a task, or unpins it. Old pins are removed. */
export async function savePin(
  db: Queryable,
  pin: { readonly work: string; readonly person: string | null; readonly at: string | null },
  author: string | null,
): Promise<void> {
  const { work, person, at } = pin;
  await db.query(`DELETE FROM day_pins WHERE work = $1 OR at < now() - interval '30 days'`, [work]);
  if (person !== null || at !== null)
    await db.query('INSERT INTO day_pins (work, person, at, author) VALUES ($1, $2, $3, $4)', [
      work,
      person,
      at,
      author,
    ]);
}
