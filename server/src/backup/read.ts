import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import * as v from 'valibot';
import { BACKUP_VERSION, type BackupHead, endSchema, headSchema, MAX_LINE_LENGTH, rowOf, secretsOf } from './format';

/** Why a backup cannot be put back. */
export class BackupFault extends Error {}

/**
 * Lines of a packed file.
 * @throws BackupFault where it is cut off, no packed file, or a line is longer than any row
 */
async function* linesOf(path: string): AsyncGenerator<string> {
  const source = createReadStream(path);
  const text = createGunzip().setEncoding('utf8');
  source.on('error', (error) => text.destroy(error));
  source.pipe(text);
  // Pieces of the line that has not ended yet: put together once, when it does.
  let pieces: string[] = [];
  let length = 0;
  try {
    for await (const piece of text) {
      const [first = '', ...lines] = String(piece).split('\n');
      pieces.push(first);
      length += first.length;
      if (length > MAX_LINE_LENGTH)
        throw new BackupFault(`it is damaged: a line is longer than ${MAX_LINE_LENGTH / 1e6} million characters`);
      if (lines.length === 0) continue;
      yield pieces.join('');
      const rest = lines.pop() ?? '';
      yield* lines;
      [pieces, length] = [[rest], rest.length];
    }
  } catch (error) {
    throw faultOf(error);
  } finally {
    source.destroy();
  }
  if (length > 0) yield pieces.join('');
}

function faultOf(error: unknown): BackupFault {
  if (error instanceof BackupFault) return error;
  const code = (error as NodeJS.ErrnoException).code ?? '';
  if (code === 'ENOENT') return new BackupFault('there is no such file');
  if (code === 'Z_BUF_ERROR') return new BackupFault('it is cut off: its end is missing');
  if (code.startsWith('Z_')) return new BackupFault('it is no backup, or damaged: it cannot be unpacked');
  return new BackupFault(`it cannot be read: ${code || (error as Error).message}`);
}

/**
 * Reads a backup from end to end and verifies every line.
 * @throws BackupFault with the reason and the line
 */
export async function checkedBackup(path: string): Promise<BackupHead & { readonly rows: number }> {
  const hash = createHash('sha256');
  let [head, number, rows]: [BackupHead | null, number, number] = [null, 0, 0];
  let last: string | null = null;
  const take = (line: string) => {
    number++;
    hash.update(`${line}\n`);
    if (number === 1) {
      head = headOf(line);
      return;
    }
    if (secretsOf(line) !== null) return;
    const row = rowOf(line);
    if (!row || !isJson(row.row)) throw new BackupFault(`line ${number} is damaged`);
    rows++;
  };
  for await (const line of linesOf(path)) {
    if (last !== null) take(last);
    last = line;
  }
  if (head === null) headOf(last ?? '');
  const end = v.safeParse(endSchema, parsed(last ?? ''));
  if (!end.success) throw new BackupFault('its last line is missing: it is cut off');
  if (end.output.rows !== rows) throw new BackupFault(`${rows} rows are there, ${end.output.rows} were written`);
  if (end.output.sha256 !== hash.digest('hex'))
    throw new BackupFault('its checksum is wrong: something in it was changed');
  return { ...(head as unknown as BackupHead), rows };
}

function headOf(line: string): BackupHead {
  const head = v.safeParse(headSchema, parsed(line));
  if (!head.success) throw new BackupFault('its first line is not that of a backup');
  if (head.output.version > BACKUP_VERSION)
    throw new BackupFault(
      `it was written by a newer program: version ${head.output.version}, this one reads up to ${BACKUP_VERSION}`,
    );
  return head.output;
}

const isJson = (text: string): boolean => parsed(text) !== undefined;

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** Rows of a backup that was checked, in their order; and, at their end, its encrypted secrets. */
export async function* rowsOf(
  path: string,
): AsyncGenerator<NonNullable<ReturnType<typeof rowOf>> | { readonly secrets: string }> {
  for await (const line of linesOf(path)) {
    const secrets = secretsOf(line);
    const row = rowOf(line);
    if (secrets !== null) yield { secrets };
    else if (row) yield row;
  }
}
