import type { Socket } from 'node:net';
import * as v from 'valibot';

// How devices on this machine are spoken with: one JSON object a line.

/**
 * Hands every line of a connection on, as what it says; null for what is not of the protocol.
 * @param longest letters of a line: a longer one comes from something else, and is not read
 * @param tooLong what is done about such a one; left out: it is no word of the protocol
 */
export function readJsonLines<T>(
  socket: Socket,
  schema: v.GenericSchema<unknown, T>,
  longest: number,
  on: (said: T | null) => void,
  tooLong: () => void = () => on(null),
): void {
  let rest = '';
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    rest += chunk;
    if (rest.length > longest) {
      rest = '';
      return tooLong();
    }
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) if (line.trim() !== '') on(read(line, schema));
  });
}

function read<T>(line: string, schema: v.GenericSchema<unknown, T>): T | null {
  try {
    const result = v.safeParse(schema, JSON.parse(line));
    return result.success ? result.output : null;
  } catch {
    return null;
  }
}

/** Says something over a connection. */
export const writeJsonLine = (socket: Socket, said: object): void =>
  void (socket.writable && socket.write(`${JSON.stringify(said)}\n`));
