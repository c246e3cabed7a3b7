import { connect, type Socket } from 'node:net';
import { type AirAnswer } from '@lintrel/core';
import * as v from 'valibot';
import { readJsonLines } from '../line/json-lines';

/** What a sensor says: docs/sensor.md. One JSON object a line. */
const messageSchema = v.variant('say', [
  v.object({ say: v.literal('ready'), name: v.string() }),
  v.object({ say: v.literal('air'), airC: v.number(), rhPercent: v.number() }),
]);

const MS_PER_SECOND = 1_000;

/** Time without a reading after which the sensor counts as silent. */
const SILENT_MS = 120_000;
/** Interval of attempts to connect again. */
const AGAIN_MS = 5_000;
const LONGEST_LINE = 10_000;

/** A sensor that is listened to. */
export interface SensorListener {
  readonly state: () => NonNullable<AirAnswer['sensor']>;
  readonly stop: () => void;
}

/**
 * Listens to a sensor on loopback and passes plausible readings on; implausible ones only change its state.
 * @param heard a reading, at most one a second
 */
export function openSensor(
  port: number,
  heard: (date: Date, airC: number, rhPercent: number) => void,
  now: () => number = Date.now,
): SensorListener {
  let heardAt: number | null = null;
  let sound = true;
  let kept = -1;
  let stopped = false;
  let socket: Socket | null = null;
  let again: NodeJS.Timeout | null = null;

  const take = (said: v.InferOutput<typeof messageSchema> | null): void => {
    if (said?.say !== 'air') return;
    const { airC, rhPercent } = said;
    heardAt = now();
    sound = airC >= -20 && airC <= 60 && rhPercent >= 1 && rhPercent <= 100;
    const second = Math.floor(heardAt / MS_PER_SECOND);
    if (!sound || second === kept) return;
    kept = second;
    heard(new Date(second * MS_PER_SECOND), airC, rhPercent);
  };
  const open = (): void => {
    if (stopped) return;
    const line = connect(port, '127.0.0.1');
    socket = line;
    readJsonLines(line, messageSchema, LONGEST_LINE, take, () => line.destroy());
    line.on('error', () => undefined);
    line.on('close', () => {
      if (!stopped) again = setTimeout(open, AGAIN_MS);
    });
  };
  open();
  return {
    state: () => ({
      state: heardAt === null || now() - heardAt > SILENT_MS ? 'silent' : sound ? 'speaking' : 'out-of-range',
      heardAt: heardAt === null ? null : new Date(heardAt).toISOString(),
    }),
    stop: () => {
      stopped = true;
      if (again) clearTimeout(again);
      socket?.destroy();
    },
  };
}
