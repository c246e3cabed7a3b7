import * as v from 'valibot';
import { type AirReading, forecastAir } from '../air';
import { faultText, idText, listOf, messageWithoutValues, nameText, numberBetween, wholeBetween } from '../kit';
import type { Shift } from '../schedule';

const DAY_MIN = 1440;

/** Hours of one day, minutes from midnight; null: not that day. */
const hoursSchema = v.nullable(
  v.pipe(
    v.strictObject({ fromMin: wholeBetween(0, DAY_MIN), toMin: wholeBetween(0, DAY_MIN) }),
    v.check(({ fromMin, toMin }) => toMin > fromMin, faultText(messageWithoutValues('day.ends-first'))),
  ),
);

/** A week, Monday first. */
const weekSchema = listOf(hoursSchema, 'days', 7, 7);
export type Week = v.InferOutput<typeof weekSchema>;

const dateText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('day.date'))),
    v.regex(/^\d{4}-\d\d-\d\d$/, faultText(messageWithoutValues('day.date'))),
  );

const forecastDaySchema = v.strictObject({
  date: dateText(),
  dayC: numberBetween(-20, 60, '°C'),
  nightC: numberBetween(-20, 60, '°C'),
  dayRh: numberBetween(1, 100, '%'),
  nightRh: numberBetween(1, 100, '%'),
});

/** People and their hours, hours of the booth, and the forecast. */
export const shopDaySchema = v.strictObject({
  version: v.literal(1),
  /** Where the shop is, as clocks know it: Europe/Lisbon. */
  zone: nameText(),
  people: listOf(
    v.strictObject({ id: idText(), name: nameText(), week: weekSchema, off: listOf(dateText(), 'days-off', 100) }),
    'shop-people',
    20,
  ),
  /** Null: at any hour. */
  booth: v.nullable(weekSchema),
  /** Forecast of the air in the shop, in order of days; empty: the air given in each job. */
  forecast: listOf(forecastDaySchema, 'forecast', 14),
});
export type ShopDay = v.InferOutput<typeof shopDaySchema>;

/** Stored hours of a shop; null if invalid. */
export function readShopDay(data: unknown): ShopDay | null {
  const read = v.safeParse(shopDaySchema, data);
  return read.success ? read.output : null;
}

/** Seven till seven, every day: what a shop begins with, to be set right by it. */
export const defaultShopDay = (zone: string, name: string): ShopDay => ({
  version: 1,
  zone,
  people: [{ id: 'one', name, week: Array.from({ length: 7 }, () => ({ fromMin: 420, toMin: 1140 })), off: [] }],
  booth: null,
  forecast: [],
});

/** A day of the calendar: when its midnight was, in minutes on the clock of the plan. */
export interface CalendarDay {
  readonly midnightMin: number;
  /** 0 is Monday. */
  readonly weekday: number;
  readonly date: string;
}

/** Hours over some days, by a week and the days off. */
export const hoursOver = (week: Week, days: readonly CalendarDay[], off: readonly string[] = []): Shift[] =>
  days.flatMap(({ midnightMin, weekday, date }) => {
    const hours = off.includes(date) ? null : week[weekday];
    return hours ? [{ from: midnightMin + hours.fromMin, to: midnightMin + hours.toMin }] : [];
  });

/** The air that is expected on the days of a calendar, from the first of them that has a forecast to the last without a gap; empty where none has. */
export function expectedAir(
  { forecast }: Pick<ShopDay, 'forecast'>,
  days: readonly CalendarDay[],
): readonly AirReading[] {
  const forecastOf = new Map(forecast.map((day) => [day.date, day]));
  const first = days.findIndex(({ date }) => forecastOf.has(date));
  if (first < 0) return [];
  const gap = days.findIndex(({ date }, index) => index > first && !forecastOf.has(date));
  const known = days.slice(first, gap < 0 ? days.length : gap);
  return forecastAir(
    known.map(({ date }) => forecastOf.get(date)!),
    known[0]!.midnightMin,
    'normal',
  ).readings;
}
