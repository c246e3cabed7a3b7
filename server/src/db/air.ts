import type { AirAnswer } from '@lintrel/core';
import type { Queryable } from './pool';

/** Days of air that are returned: no window is older. */
const DAYS = 10;

/**
 * Readings of the last days, oldest first: the first of each minute, and the newest. These are the ones kept by
 * thinning, so nothing computed from them changes later.
 */
export async function listAir(db: Queryable, now: Date): Promise<AirAnswer['readings']> {
  const { rows } = await db.query<{ at: Date; air_c: number; rh_percent: number; by: 'sensor' | 'typed' }>(
    `SELECT at, air_c, rh_percent, by FROM
       ((SELECT DISTINCT ON (date_trunc('minute', at)) at, air_c, rh_percent, by FROM air_readings
          WHERE at > $1::timestamptz - make_interval(days => $2) ORDER BY date_trunc('minute', at), at)
        UNION
        (SELECT at, air_c, rh_percent, by FROM air_readings WHERE at > $1::timestamptz - make_interval(days => $2) ORDER BY at DESC LIMIT 1)) AS told
      ORDER BY at DESC LIMIT $3`,
    [now, DAYS, DAYS * 24 * 60],
  );
  return rows
    .reverse()
    .map(({ at, air_c: airC, rh_percent: rhPercent, by }) => ({ at: at.toISOString(), airC, rhPercent, by }));
}

/** Stores a reading, unless there is one of the same moment. Servers that share a sensor store it once. */
export async function insertAir(
  db: Queryable,
  date: Date,
  airC: number,
  rhPercent: number,
  by: 'sensor' | 'typed',
): Promise<void> {
  await db.query(
    'INSERT INTO air_readings (at, air_c, rh_percent, by) VALUES ($1, $2, $3, $4) ON CONFLICT (at) DO NOTHING',
    [date, airC, rhPercent, by],
  );
}

/** Readings are kept in full for some days, then the first of each minute, then the first of each hour. */
const FULL_DAYS = 2;
const MINUTE_DAYS = 60;

/**
 * Thins old readings.
 * @returns number of removed readings
 */
export async function thinAir(db: Queryable, now: Date = new Date()): Promise<number> {
  const { rowCount } = await db.query(
    `DELETE FROM air_readings USING
       (SELECT at, row_number() OVER (PARTITION BY at < $1::timestamptz - make_interval(days => $3),
                 date_trunc(CASE WHEN at < $1::timestamptz - make_interval(days => $3) THEN 'hour' ELSE 'minute' END, at) ORDER BY at) AS place
          FROM air_readings WHERE at < date_trunc('minute', $1::timestamptz) - make_interval(days => $2)) AS old
      WHERE air_readings.at = old.at AND old.place > 1`,
    [now, FULL_DAYS, MINUTE_DAYS],
  );
  return rowCount ?? 0;
}
