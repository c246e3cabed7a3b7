import type { AirAnswer } from '@lintrel/core';
import type { Queryable } from './pool';

/** Air of so many days is told: no window is older. */
const DAYS = 10;

/** Readings of the last days, oldest first. */
export async function listAir(db: Queryable, now: Date): Promise<AirAnswer['readings']> {
  const { rows } = await db.query<{ at: Date; air_c: number; rh_percent: number; by: 'sensor' | 'typed' }>(
    `SELECT at, air_c, rh_percent, by FROM air_readings WHERE at > $1::timestamptz - make_interval(days => $2) ORDER BY at LIMIT 5000`,
    [now, DAYS],
  );
  return rows.map(({ at, air_c: airC, rh_percent: rhPercent, by }) => ({ at: at.toISOString(), airC, rhPercent, by }));
}

/** Keeps a reading; one of the same moment that is there already stays. Servers that share a sensor keep it once a minute. */
export async function keepAir(db: Queryable, at: Date, airC: number, rhPercent: number, by: 'sensor' | 'typed'): Promise<void> {
  await db.query('INSERT INTO air_readings (at, air_c, rh_percent, by) VALUES ($1, $2, $3, $4) ON CONFLICT (at) DO NOTHING', [at, airC, rhPercent, by]);
}
