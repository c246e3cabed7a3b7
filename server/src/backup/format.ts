import * as v from 'valibot';
import { KEPT_TABLES, type KeptTable } from './tables';

// A backup is text, packed: a line that says what it is, a line a row, and a line with what all lines before it add up to.

export const BACKUP_VERSION = 1;

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

/** Takes such a line apart; null for anything else. */
export function rowOf(line: string): { readonly table: KeptTable; readonly row: string } | null {
  const at = line.indexOf('\t');
  const table = KEPT_TABLES.find((name) => name === line.slice(0, at));
  return at > 0 && table ? { table, row: line.slice(at + 1) } : null;
}
