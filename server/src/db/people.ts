import type { Role, Session, ShopPerson } from '@lintrel/core';
import type { Queryable } from './pool';

/** A session that holds, with whose it is. */
export interface KnownSession {
  readonly id: string;
  readonly person: ShopPerson;
  readonly phone: string | null;
  /** Begun with a PIN: it opens no more than a painter's rights. */
  readonly byPin: boolean;
  /** Its token is older than it should be, or was replaced a moment ago. */
  readonly stale: boolean;
  readonly replaced: boolean;
}

/** The rights a PIN opens: four digits are no owner's key. */
export const roleByPin = (role: Role): Role => (role === 'owner' ? 'painter' : role);

/** Idle days after which a session ends; interval of token rotation; and how long the previous token is accepted. */
const IDLE_DAYS = 60;
const CHANGE_HOURS = 24;
const OVERLAP = "interval '2 minutes'";

/** The session of a token; null where there is none that holds. Notes that it was seen, now and then. */
export async function findSession(db: Queryable, hash: string): Promise<KnownSession | null> {
  const { rows } = await db.query<{
    id: string;
    person_id: string;
    name: string;
    role: Role;
    phone_id: string | null;
    stale: boolean;
    replaced: boolean;
    unseen: boolean;
    by_pin: boolean;
  }>(
    `SELECT s.id, s.person_id, p.name, p.role, s.phone_id, s.by_pin, s.changed_at < now() - make_interval(hours => $2) AS stale, s.hash <> $1 AS replaced,
            s.seen_at < now() - interval '5 minutes' AS unseen
       FROM sessions s JOIN people p ON p.id = s.person_id
      WHERE (s.hash = $1 OR (s.last_hash = $1 AND s.changed_at > now() - ${OVERLAP}))
        AND s.ended_at IS NULL AND p.left_at IS NULL AND s.seen_at > now() - make_interval(days => $3)`,
    [hash, CHANGE_HOURS, IDLE_DAYS],
  );
  const [row] = rows;
  if (!row) return null;
  if (row.unseen) await db.query('UPDATE sessions SET seen_at = now() WHERE id = $1', [row.id]);
  const person = { id: row.person_id, name: row.name, role: row.by_pin ? roleByPin(row.role) : row.role };
  return { id: row.id, person, phone: row.phone_id, byPin: row.by_pin, stale: row.stale, replaced: row.replaced };
}

/** Begins a session. */
export async function insertSession(
  db: Queryable,
  session: { person: string; phone: string | null; device: string; hash: string; byPin?: boolean },
): Promise<void> {
  const { person, phone, device, hash, byPin = false } = session;
  await db.query('INSERT INTO sessions (person_id, phone_id, device, hash, by_pin) VALUES ($1, $2, $3, $4, $5)', [
    person,
    phone,
    device,
    hash,
    byPin,
  ]);
}

/**
 * Gives a session another token.
 * @returns false where another request has just done so
 */
export async function changeToken(db: Queryable, id: string, from: string, to: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'UPDATE sessions SET hash = $3, last_hash = $2, changed_at = now(), seen_at = now() WHERE id = $1 AND hash = $2',
    [id, from, to],
  );
  return rowCount === 1;
}

/** Ends a session, of a given person or of anybody. */
export async function endSession(db: Queryable, id: string, person: string | null): Promise<boolean> {
  const { rowCount } = await db.query(
    'UPDATE sessions SET ended_at = now() WHERE id = $1 AND ended_at IS NULL AND ($2::uuid IS NULL OR person_id = $2)',
    [id, person],
  );
  return rowCount === 1;
}

/** Ends every session of a person but one. */
export async function endSessionsOf(db: Queryable, person: string, but: string | null = null): Promise<void> {
  await db.query(
    'UPDATE sessions SET ended_at = now() WHERE person_id = $1 AND ended_at IS NULL AND id IS DISTINCT FROM $2::uuid',
    [person, but],
  );
}

/** Sessions that hold; of one person alone, or all. */
export async function listSessions(db: Queryable, person: string | null, currentHash: string): Promise<Session[]> {
  const { rows } = await db.query<{
    id: string;
    person: string;
    device: string;
    phone: string | null;
    begun_at: Date;
    seen_at: Date;
  }>(
    `SELECT s.id, p.name AS person, s.device, f.name AS phone, s.begun_at, s.seen_at
       FROM sessions s JOIN people p ON p.id = s.person_id LEFT JOIN phones f ON f.id = s.phone_id
      WHERE s.ended_at IS NULL AND p.left_at IS NULL AND s.seen_at > now() - make_interval(days => $2) AND ($1::uuid IS NULL OR s.person_id = $1)
      ORDER BY s.seen_at DESC LIMIT 200`,
    [person, IDLE_DAYS],
  );
  return rows.map(({ begun_at, seen_at, ...row }) => ({
    ...row,
    begunAt: begun_at.toISOString(),
    seenAt: seen_at.toISOString(),
    own: row.id === currentHash,
  }));
}

export interface PersonRow extends ShopPerson {
  /** Null: left out of the backup this shop was put back from. */
  readonly passphrase: string | null;
  readonly pin: string | null;
  /** Wrong PINs since the last right one, or the last sign-in by passphrase. */
  readonly wrongPins: number;
  /** Their PIN was ended, and they have not set another. */
  readonly pinEnded: boolean;
}

const PERSON = 'id, name, role, passphrase, pin, wrong_pins AS "wrongPins", pin_ended AS "pinEnded"';

/** Everybody who works here. */
export async function listPeople(db: Queryable): Promise<PersonRow[]> {
  return (
    await db.query<PersonRow>(`SELECT ${PERSON} FROM people WHERE left_at IS NULL ORDER BY lower(name) LIMIT 500`)
  ).rows;
}

/** Whether anyone works here. */
export async function isAnyoneHere(db: Queryable): Promise<boolean> {
  return (await db.query('SELECT 1 FROM people WHERE left_at IS NULL LIMIT 1')).rowCount === 1;
}

/** Whether an owner can sign in: else one comes in with a set-up code. */
export async function canSignIn(db: Queryable): Promise<boolean> {
  return (
    (await db.query("SELECT 1 FROM people WHERE left_at IS NULL AND role = 'owner' AND passphrase IS NOT NULL LIMIT 1"))
      .rowCount === 1
  );
}

export async function personNamed(db: Queryable, name: string): Promise<PersonRow | null> {
  return (
    (
      await db.query<PersonRow>(`SELECT ${PERSON} FROM people WHERE lower(name) = lower($1) AND left_at IS NULL`, [
        name,
      ])
    ).rows[0] ?? null
  );
}

/** Names of people by their ids, of those who have left too: what they made is theirs. */
export async function namesOf(db: Queryable, ids: readonly string[]): Promise<Map<string, string>> {
  const { rows } = await db.query<{ id: string; name: string }>(
    'SELECT id, name FROM people WHERE id = ANY($1::uuid[])',
    [ids],
  );
  return new Map(rows.map(({ id, name }) => [id, name]));
}

export async function personById(db: Queryable, id: string): Promise<PersonRow | null> {
  return (
    (await db.query<PersonRow>(`SELECT ${PERSON} FROM people WHERE id = $1 AND left_at IS NULL`, [id])).rows[0] ?? null
  );
}

/** Inserts a person; null if the name is taken. */
export async function insertPerson(
  db: Queryable,
  { name, role, passphrase }: { name: string; role: Role; passphrase: string },
): Promise<ShopPerson | null> {
  const { rows } = await db.query<ShopPerson>(
    'INSERT INTO people (name, role, passphrase) VALUES ($1, $2, $3) ON CONFLICT (lower(name)) WHERE left_at IS NULL DO NOTHING RETURNING id, name, role',
    [name, role, passphrase],
  );
  return rows[0] ?? null;
}

/** Changes what is given of a person. A PIN that is set begins without wrong ones; null takes it away. */
export async function updatePerson(
  db: Queryable,
  id: string,
  to: Partial<Pick<PersonRow, 'role' | 'passphrase' | 'pin'>>,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE people SET role = coalesce($2, role), passphrase = coalesce($3, passphrase),
            pin = CASE WHEN $4 THEN $5 ELSE pin END,
            wrong_pins = CASE WHEN $4 THEN 0 ELSE wrong_pins END,
            pin_ended = CASE WHEN $5::text IS NOT NULL THEN false ELSE pin_ended END
      WHERE id = $1 AND left_at IS NULL`,
    [id, to.role ?? null, to.passphrase ?? null, to.pin !== undefined, to.pin ?? null],
  );
  return rowCount === 1;
}

/** A person leaves: they come in no more, and stay as the author of what they did. */
export async function leavePerson(db: Queryable, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'UPDATE people SET left_at = now(), pin = NULL WHERE id = $1 AND left_at IS NULL',
    [id],
  );
  return rowCount === 1;
}

/** Owners there are; one at least stays. */
export async function countOwners(db: Queryable): Promise<number> {
  return (
    await db.query<{ count: number }>(
      "SELECT count(*)::int AS count FROM people WHERE role = 'owner' AND left_at IS NULL",
    )
  ).rows[0]!.count;
}

/** Notes the code the first owner comes in with; those of earlier starts hold no more. */
export async function saveSetUpCode(db: Queryable, hash: string): Promise<void> {
  await db.query("DELETE FROM setup_codes WHERE made_at < now() - interval '1 day'");
  await db.query('INSERT INTO setup_codes (hash) VALUES ($1)', [hash]);
}

/** Uses a set-up code; all codes become invalid. */
export async function useSetUpCode(db: Queryable, hash: string): Promise<boolean> {
  if ((await db.query('SELECT 1 FROM setup_codes WHERE hash = $1 FOR UPDATE', [hash])).rowCount !== 1) return false;
  await db.query('DELETE FROM setup_codes');
  return true;
}

export interface Phone {
  readonly id: string;
  readonly name: string;
  readonly wrongPins: number;
}

/** A phone of the shop by its token; null where it is none. */
export async function findPhone(db: Queryable, hash: string): Promise<Phone | null> {
  const { rows } = await db.query<Phone>(
    'SELECT id, name, wrong_pins AS "wrongPins" FROM phones WHERE hash = $1 AND ended_at IS NULL',
    [hash],
  );
  return rows[0] ?? null;
}

export async function insertPhone(db: Queryable, name: string, hash: string): Promise<string> {
  return (await db.query<{ id: string }>('INSERT INTO phones (name, hash) VALUES ($1, $2) RETURNING id', [name, hash]))
    .rows[0]!.id;
}

/** Maximum number of wrong PINs in a row, on one phone and for one person. */
const MAX_WRONG_PINS = 5;

/** Whether the PIN of a person is locked by wrong tries, so that the passphrase is required. */
export const isPinLocked = ({ pin, wrongPins }: Pick<PersonRow, 'pin' | 'wrongPins'>): boolean =>
  pin !== null && wrongPins >= MAX_WRONG_PINS;

/**
 * Counts a PIN try as wrong, for phone and person, before it is verified: concurrent tries all count.
 * In a transaction: otherwise concurrent tries use up the two counts in different orders, and fewer than allowed are
 * verified.
 * @returns false if no more tries are allowed
 */
export async function countPinTry(db: Queryable, phone: string, person: string): Promise<boolean> {
  const { rowCount: onPhone } = await db.query(
    'UPDATE phones SET wrong_pins = wrong_pins + 1 WHERE id = $1 AND ended_at IS NULL AND wrong_pins < $2',
    [phone, MAX_WRONG_PINS],
  );
  const { rowCount: ofPerson } = await db.query(
    'UPDATE people SET wrong_pins = wrong_pins + 1 WHERE id = $1 AND left_at IS NULL AND wrong_pins < $2',
    [person, MAX_WRONG_PINS],
  );
  return onPhone === 1 && ofPerson === 1;
}

/** Resets the count of wrong PINs for this person and their phone, after a correct PIN or passphrase. */
export async function clearPinTries(db: Queryable, phone: string | null, person: string): Promise<void> {
  await db.query('UPDATE phones SET wrong_pins = 0 WHERE id = $1', [phone]);
  await db.query('UPDATE people SET wrong_pins = 0 WHERE id = $1', [person]);
}

/** Phones of the shop, the newest first. */
export async function listPhones(
  db: Queryable,
): Promise<{ readonly id: string; readonly name: string; readonly pairedAt: Date }[]> {
  return (
    await db.query<{ id: string; name: string; pairedAt: Date }>(
      'SELECT id, name, paired_at AS "pairedAt" FROM phones WHERE ended_at IS NULL ORDER BY paired_at DESC LIMIT 200',
    )
  ).rows;
}

/** Unpairs a phone and ends the sessions on it. */
export async function endPhone(db: Queryable, id: string): Promise<boolean> {
  const { rowCount } = await db.query('UPDATE phones SET ended_at = now() WHERE id = $1 AND ended_at IS NULL', [id]);
  await db.query('UPDATE sessions SET ended_at = now() WHERE phone_id = $1 AND ended_at IS NULL', [id]);
  return rowCount === 1;
}

/** Replaces the secret calendar address of a person. */
export async function saveCalendarLink(db: Queryable, person: string, hash: string): Promise<void> {
  await db.query(
    'INSERT INTO calendar_links (person_id, hash) VALUES ($1, $2) ON CONFLICT (person_id) DO UPDATE SET hash = excluded.hash, made_at = now()',
    [person, hash],
  );
}

/** Revokes the secret calendar address of a person. */
export async function endCalendarLink(db: Queryable, person: string): Promise<boolean> {
  return (await db.query('DELETE FROM calendar_links WHERE person_id = $1', [person])).rowCount === 1;
}

/** Creation time of a person's secret calendar address; null if there is none. */
export async function calendarLinkOf(db: Queryable, person: string): Promise<Date | null> {
  return (
    (await db.query<{ at: Date }>('SELECT made_at AS at FROM calendar_links WHERE person_id = $1', [person])).rows[0]
      ?.at ?? null
  );
}

/** Whether a calendar is to be seen at a secret address: its person still works here. */
export async function isCalendarLink(db: Queryable, hash: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'SELECT 1 FROM calendar_links c JOIN people p ON p.id = c.person_id WHERE c.hash = $1 AND p.left_at IS NULL',
    [hash],
  );
  return rowCount === 1;
}

export interface LinkRow {
  readonly id: string;
  readonly madeAt: Date;
  readonly madeBy: string | null;
}

export async function insertLink(db: Queryable, jobId: string, hash: string, by: string | null): Promise<string> {
  return (
    await db.query<{ id: string }>('INSERT INTO links (job_id, hash, made_by) VALUES ($1, $2, $3) RETURNING id', [
      jobId,
      hash,
      by,
    ])
  ).rows[0]!.id;
}

/** Links to a job that hold. */
export async function listLinks(db: Queryable, jobId: string): Promise<LinkRow[]> {
  return (
    await db.query<LinkRow>(
      'SELECT id, made_at AS "madeAt", made_by AS "madeBy" FROM links WHERE job_id = $1 AND ended_at IS NULL ORDER BY made_at DESC LIMIT 100',
      [jobId],
    )
  ).rows;
}

export async function endLink(db: Queryable, id: string): Promise<boolean> {
  return (await db.query('UPDATE links SET ended_at = now() WHERE id = $1 AND ended_at IS NULL', [id])).rowCount === 1;
}

/** The job of an active link; null if it was revoked. */
export async function jobOfLink(db: Queryable, hash: string): Promise<string | null> {
  return (
    (await db.query<{ job: string }>('SELECT job_id AS job FROM links WHERE hash = $1 AND ended_at IS NULL', [hash]))
      .rows[0]?.job ?? null
  );
}
