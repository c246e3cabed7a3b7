import { MS_PER_DAY } from '@lintrel/core/front';
import { writeJsonLine } from '../line/json-lines';
import { onLoopback } from '../line/loopback';

/** The booth sensor that ships: it measures nothing, but speaks as one would, with the faults real ones have. */
export interface SimulatedSensor {
  readonly port: number;
  readonly close: () => Promise<void>;
}

/** What it pretends. */
export interface Booth {
  /** Air at a moment, ms. */
  readonly air: (ms: number) => { readonly airC: number; readonly rhPercent: number };
  /** How far it has drifted, °C; real ones do over months. */
  readonly driftC: number;
  /** Whether it says nothing now. */
  readonly silent: (ms: number) => boolean;
  /** Whether it says something that cannot be, as one that is wet or torn off. */
  readonly broken: (ms: number) => boolean;
  readonly everyMs: number;
  readonly now: () => number;
}

/** A booth over a day: 16 °C before dawn, 23 in the afternoon; silent for twenty minutes a day, torn off for two. */
export const DEFAULT_BOOTH: Booth = {
  air: (ms) => {
    const wave = Math.cos((2 * Math.PI * (ms - 15 * 3_600_000)) / MS_PER_DAY);
    return { airC: 19.5 + 3.5 * wave, rhPercent: 58 - 10 * wave };
  },
  driftC: 0.3,
  silent: (ms) => ms % MS_PER_DAY > MS_PER_DAY - 1_200_000,
  broken: (ms) => ms % MS_PER_DAY < 120_000,
  everyMs: 10_000,
  now: Date.now,
};

/** Starts it on a free port of loopback. */
export async function startSimulatedSensor(booth: Booth = DEFAULT_BOOTH): Promise<SimulatedSensor> {
  const air = () => {
    const now = booth.now();
    if (booth.broken(now)) return { say: 'air', airC: 998, rhPercent: 0 };
    const { airC, rhPercent } = booth.air(now);
    return { say: 'air', airC: round(airC + booth.driftC), rhPercent: round(rhPercent) };
  };
  const { port, open, close } = await onLoopback((socket) => {
    writeJsonLine(socket, { say: 'ready', name: 'Simulated booth sensor' });
    if (!booth.silent(booth.now())) writeJsonLine(socket, air());
  });
  const timer = setInterval(() => {
    if (!booth.silent(booth.now())) for (const socket of open) writeJsonLine(socket, air());
  }, booth.everyMs);
  return {
    port,
    close: () => {
      clearInterval(timer);
      return close();
    },
  };
}

const round = (value: number): number => Math.round(value * 10) / 10;
