import { randomUUID } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import type { CutState, Place } from '@lintrel/core';
import { type FromCutter, fromCutterSchema, readCutterLines, writeCutterLine } from './protocol';

/** What is to be cut: paths, mm from the lower left of the sheet. */
interface CutJob {
  readonly name: string;
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly paths: readonly (readonly Place[])[];
}

interface Sending {
  state: CutState;
  readonly socket: Socket;
}

/** Maximum number of finished jobs kept. */
const MOST_KEPT = 50;
/** Timeout after which a silent cutter counts as gone, ms. */
const SILENT_MS = 60_000;

/** Jobs sent to the cutter on this machine. They end with it: a job does not continue on its own. */
export interface Cutting {
  readonly send: (job: CutJob) => Promise<CutState>;
  readonly stateOf: (id: string) => CutState | null;
  readonly cancel: (id: string) => CutState | null;
}

/** @param portOf where the cutter listens on loopback */
export function cutting(portOf: () => Promise<number>): Cutting {
  const sendings = new Map<string, Sending>();
  const put = (id: string, change: Partial<CutState>): void => {
    const sending = sendings.get(id);
    if (sending) sending.state = { ...sending.state, ...change };
  };
  const over = ({ state }: CutState): boolean => state !== 'cutting';
  return {
    send: async (job) => {
      const id = randomUUID();
      const socket = connect({ host: '127.0.0.1', port: await portOf() });
      const state: CutState = { id, state: 'cutting', done: 0, of: job.paths.length, picture: null };
      for (const old of [...sendings.keys()].slice(0, Math.max(0, sendings.size + 1 - MOST_KEPT))) sendings.delete(old);
      sendings.set(id, { state, socket });
      socket.setTimeout(SILENT_MS, () => socket.destroy());
      socket.on('error', () => socket.destroy());
      // A connection lost in between leaves a sheet half cut: that is reported.
      socket.on('close', () => {
        const sending = sendings.get(id);
        if (sending && !over(sending.state)) put(id, { state: 'broken' });
      });
      readCutterLines(socket, fromCutterSchema, (said) => hear(said, job, socket, (change) => put(id, change)));
      return state;
    },
    stateOf: (id) => sendings.get(id)?.state ?? null,
    cancel: (id) => {
      const sending = sendings.get(id);
      if (!sending) return null;
      if (!over(sending.state)) writeCutterLine(sending.socket, { say: 'cancel' });
      return sending.state;
    },
  };
}

function hear(said: FromCutter | null, job: CutJob, socket: Socket, put: (change: Partial<CutState>) => void): void {
  const end = (change: Partial<CutState>) => {
    put(change);
    socket.end();
  };
  if (said === null) return end({ state: 'broken' });
  switch (said.say) {
    case 'ready':
      if (job.widthMm > said.widthMm || job.lengthMm > said.lengthMm) return end({ state: 'out-of-sheet' });
      writeCutterLine(socket, {
        say: 'job',
        name: job.name,
        paths: job.paths.length,
        widthMm: job.widthMm,
        lengthMm: job.lengthMm,
      });
      for (const path of job.paths)
        writeCutterLine(socket, { say: 'cut', path: path.map(([x, y]) => [x, y] as const) });
      return writeCutterLine(socket, { say: 'end' });
    case 'cut':
      return put({ done: said.done });
    case 'out-of-sheet':
      return end({ state: 'out-of-sheet', done: said.done });
    case 'cancelled':
      return end({ state: 'cancelled', done: said.done, picture: said.picture });
    case 'done':
      return end({ state: 'done', done: said.done, picture: said.picture });
    case 'refused':
      return end({ state: 'broken' });
  }
}
