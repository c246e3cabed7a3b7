import { lowerBound } from '../kit';
import type { AirMovement } from './climate';
import type { DryingAir } from './rate';

/** Air at a moment, minutes on some clock. */
export interface AirReading {
  readonly atMin: number;
  readonly airC: number;
  readonly rhPercent: number;
}

/**
 * Air over time: readings in order of time. Linear between two readings, constant before the first and after the
 * last; two readings at the same moment are a step.
 */
export interface AirSeries {
  readonly readings: readonly AirReading[];
  readonly movement: AirMovement;
}

/** A series of constant air. */
export const constantAir = ({ airC, rhPercent, movement }: DryingAir): AirSeries => ({
  readings: [{ atMin: 0, airC, rhPercent }],
  movement,
});

/** The air at a moment; at a step, what comes after it. */
export function airAt({ readings, movement }: AirSeries, atMin: number): DryingAir {
  const next = lowerBound(0, readings.length, (index) => readings[index]!.atMin > atMin);
  const before = readings[Math.max(0, next - 1)]!;
  const after = readings[Math.min(next, readings.length - 1)]!;
  const share =
    after.atMin > before.atMin && atMin > before.atMin ? (atMin - before.atMin) / (after.atMin - before.atMin) : 0;
  const between = (from: number, to: number) => from + share * (to - from);
  return { airC: between(before.airC, after.airC), rhPercent: between(before.rhPercent, after.rhPercent), movement };
}

/** Air of a day in a forecast: warmest and driest in the afternoon, coolest and dampest before dawn. */
export interface DayAndNight {
  readonly dayC: number;
  readonly nightC: number;
  readonly dayRh: number;
  readonly nightRh: number;
}

// Rule of thumb: hours of the day at which the air is coolest and warmest.
const COOLEST_H = 5;
const WARMEST_H = 15;
const DAY_MIN = 1440;
/** Interval of readings: between two the curve differs from a straight line by less than a tenth of a degree. */
const EVERY_MIN = 30;

/**
 * Air over several days from a forecast: half a cosine wave from the coolest to the warmest hour and half a wave
 * back.
 * @param days one entry a day, starting at `midnightMin`; the last one continues
 * @param midnightMin first midnight, on the clock of the series
 */
export function forecastAir(days: readonly DayAndNight[], midnightMin: number, movement: AirMovement): AirSeries {
  const turns = days.flatMap(({ dayC, nightC, dayRh, nightRh }, day) => [
    { atMin: midnightMin + day * DAY_MIN + COOLEST_H * 60, airC: nightC, rhPercent: nightRh },
    { atMin: midnightMin + day * DAY_MIN + WARMEST_H * 60, airC: dayC, rhPercent: dayRh },
  ]);
  const last = days[days.length - 1]!;
  const rounds = [
    ...turns,
    { atMin: midnightMin + days.length * DAY_MIN + COOLEST_H * 60, airC: last.nightC, rhPercent: last.nightRh },
  ];
  const readings = rounds.slice(0, -1).flatMap((from, index) => {
    const to = rounds[index + 1]!;
    const count = Math.round((to.atMin - from.atMin) / EVERY_MIN);
    return Array.from({ length: count }, (_, step) => between(from, to, step / count));
  });
  return { readings: [...readings, rounds[rounds.length - 1]!], movement };
}

function between(from: AirReading, to: AirReading, share: number): AirReading {
  const wave = (1 - Math.cos(Math.PI * share)) / 2;
  return {
    atMin: from.atMin + share * (to.atMin - from.atMin),
    airC: from.airC + wave * (to.airC - from.airC),
    rhPercent: from.rhPercent + wave * (to.rhPercent - from.rhPercent),
  };
}

/**
 * Measured air followed by the forecast.
 * @param measured readings in order of time
 * @param expected forecast after them
 * @param trustMin time after the last reading over which the forecast takes over linearly, since a room does not
 *   change at once
 */
export function measuredThenForecast(
  measured: readonly AirReading[],
  expected: AirSeries,
  trustMin: number,
): AirSeries {
  const last = measured[measured.length - 1];
  if (!last) return expected;
  const from = last.atMin + trustMin;
  const then = airAt(expected, from);
  return {
    movement: expected.movement,
    readings: [
      ...measured,
      { atMin: from, airC: then.airC, rhPercent: then.rhPercent },
      ...expected.readings.filter(({ atMin }) => atMin > from),
    ],
  };
}
