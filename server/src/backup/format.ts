import * as v from 'valibot';
import { KEPT_TABLES, type KeptTable } from './tables';

// A backup is compressed text: a header line, one line per row, a line of encrypted secrets if there are any, and a
// line with the checksum of all lines before it.

/** 1: people with the hashes of their passphrases and PINs; 2: without, or with these encrypted. */
export const BACKUP_VERSION = 2;

/** Maximum characters of a line: no row is as long. */
export const MAX_LINE_LENGTH = 64_000_000;

/** Columns that leave the shop encrypted or not at all. */
export const SECRET_COLUMNS: Readonly<Partial<Record<KeptTable, readonly string[]>>> = {
  people: ['passphrase', 'pin'],
};

export const headSchema = v.object({
  format: v.literal('lintrel-backup'),
  version: v.number(),
  /** When it was written. */
  at: v.pipe(v.string(), v.isoTimestamp()),
  /** The newest change of the tables at that time. */
  schema: v.string(),
});
export type BackupHead = v.InferOutput<typeof headSchema>;

export const endSchema = v.object({ end: v.literal(true), rows: v.number(), sha256: v.string() });

/** A row as a line: its table, and the row as the database writes it. */
export const rowLine = (table: KeptTable, row: string): string => `${table}\t${row}`;

const SECRETS = 'encrypted\t';

/** Encrypted secrets as a line. */
export const secretsLine = (secrets: string): string => `${SECRETS}${JSON.stringify(secrets)}`;

/** What such a line holds; null for any other line. */
export function secretsOf(line: string): string | null {
  if (!line.startsWith(SECRETS)) return null;
  try {
    const secrets: unknown = JSON.parse(line.slice(SECRETS.length));
    return typeof secrets === 'string' ? secrets : null;
  } catch {
    return null;
  }
}

/** Splits the line of a row; null for any other line. */
export function rowOf(line: string): { readonly table: KeptTable; readonly row: string } | null {
  const index = line.indexOf('\t');
  const table = KEPT_TABLES.find((name) => name === line.slice(0, index));
  return index > 0 && table ? { table, row: line.slice(index + 1) } : null;
}
