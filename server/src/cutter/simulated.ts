import type { Socket } from 'node:net';
import type { Place } from '@lintrel/core';
import { onLoopback } from '../line/loopback';
import { readCutterLines, type ToCutter, toCutterSchema, writeCutterLine } from './protocol';

/** The shipped simulated cutter: it cuts nothing, but reports and draws what it would cut. */
export interface SimulatedCutter {
  /** Where it listens, on loopback. */
  readonly port: number;
  readonly close: () => Promise<void>;
}

interface CutterMeans {
  /** The sheet that is in it, mm. */
  readonly widthMm: number;
  readonly lengthMm: number;
  /** How fast its blade goes, mm a second; slow enough that one can watch it. */
  readonly speed: number;
}

export const DEFAULT_CUTTER: CutterMeans = { widthMm: 600, lengthMm: 3000, speed: 2500 };

/** Starts it on a free port of loopback. */
export const startSimulatedCutter = (means: CutterMeans = DEFAULT_CUTTER): Promise<SimulatedCutter> =>
  onLoopback((socket) => serve(socket, means));

/** One job over one connection: paths are cut one after the other as they come. */
function serve(socket: Socket, { widthMm, lengthMm, speed }: CutterMeans): void {
  const waiting: (readonly Place[])[] = [];
  const cut: (readonly Place[])[] = [];
  let [begun, ended, stopped] = [false, false, false];
  let timer: NodeJS.Timeout | null = null;
  const picture = () => pictureOf(cut, widthMm, lengthMm);
  const stop = () => {
    stopped = true;
    if (timer) clearTimeout(timer);
  };
  const next = (): void => {
    if (stopped || timer) return;
    const path = waiting.shift();
    if (!path) {
      if (ended) writeCutterLine(socket, { say: 'done', done: cut.length, picture: picture() });
      return;
    }
    if (path.some(([x, y]) => x < 0 || y < 0 || x > lengthMm || y > widthMm)) {
      stop();
      return writeCutterLine(socket, { say: 'out-of-sheet', done: cut.length });
    }
    timer = setTimeout(
      () => {
        timer = null;
        cut.push(path);
        writeCutterLine(socket, { say: 'cut', done: cut.length });
        next();
      },
      (1000 * lengthOf(path)) / speed,
    );
  };
  const hear = (said: ToCutter | null): void => {
    if (stopped) return;
    if (said === null) return writeCutterLine(socket, { say: 'refused', why: 'not of the protocol' });
    if (said.say === 'cancel') {
      stop();
      return writeCutterLine(socket, { say: 'cancelled', done: cut.length, picture: picture() });
    }
    if (said.say === 'job') {
      if (begun) return writeCutterLine(socket, { say: 'refused', why: 'a job is on already' });
      begun = true;
      return said.widthMm > widthMm ? writeCutterLine(socket, { say: 'out-of-sheet', done: 0 }) : undefined;
    }
    if (!begun) return writeCutterLine(socket, { say: 'refused', why: 'no job was begun' });
    if (said.say === 'cut') waiting.push(said.path);
    else ended = true;
    next();
  };
  readCutterLines(socket, toCutterSchema, hear);
  socket.on('close', stop);
  writeCutterLine(socket, { say: 'ready', name: 'Simulated cutter', widthMm, lengthMm });
}

const lengthOf = (path: readonly Place[]): number =>
  path.reduce(
    (sum, [x, y], index) => (index === 0 ? 0 : sum + Math.hypot(x - path[index - 1]![0], y - path[index - 1]![1])),
    0,
  );

/** What the blade did, seen from above, as an SVG; the part of the sheet that was used. */
function pictureOf(cut: readonly (readonly Place[])[], widthMm: number, lengthMm: number): string {
  const farthest = cut.reduce((far, path) => path.reduce((most, [x]) => Math.max(most, x), far), 0);
  const used = Math.min(lengthMm, farthest + 20);
  const paths = cut
    .map((path) => `<path d="M${path.map(([x, y]) => `${x.toFixed(2)} ${(widthMm - y).toFixed(2)}`).join('L')}"/>`)
    .join('');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${used.toFixed(1)} ${widthMm}" width="${used.toFixed(1)}mm" height="${widthMm}mm">` +
    `<rect width="${used.toFixed(1)}" height="${widthMm}" fill="#FBFAF6" stroke="#CFC8BA" stroke-width="1"/>` +
    `<g fill="none" stroke="#1D2A2D" stroke-width="${(widthMm / 300).toFixed(2)}">${paths}</g></svg>`
  );
}
