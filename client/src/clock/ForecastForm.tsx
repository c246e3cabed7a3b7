import { type KeptShopDay, keptShopDaySchema, MS_PER_DAY, type ShopDay, shopDaySchema } from '@lintrel/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { temperatureText } from '@/forms/temperatureText';
import { typedHumidity, typedTemperature } from '@/forms/typed';
import { usePerson } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Waiting } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** Number of days, from today on. */
const DAYS = 3;

const figures = shopDaySchema.entries.forecast.item.entries;
const FIELDS = [
  { key: 'dayC', label: 'Warmest' },
  { key: 'nightC', label: 'Coolest' },
  { key: 'dayRh', label: 'Driest' },
  { key: 'nightRh', label: 'Dampest' },
] as const;
type Key = (typeof FIELDS)[number]['key'];
type TypedDay = Readonly<Record<Key, string>>;
type ForecastDay = ShopDay['forecast'][number];

const EMPTY: TypedDay = { dayC: '', nightC: '', dayRh: '', nightRh: '' };
const isEmpty = (day: TypedDay): boolean => FIELDS.every(({ key }) => day[key].trim() === '');

/** How a figure of a day is read. */
const schemaOf = (key: Key, unit: 'C' | 'F') =>
  key === 'dayC' || key === 'nightC' ? typedTemperature(figures[key], unit) : typedHumidity(figures[key]);

/** What the air in the shop is expected to be by day and by night. */
export function ForecastForm() {
  const kept = useQuery({ queryKey: ['hours'], queryFn: () => request('GET', '/shop/day', keptShopDaySchema) });
  if (!kept.data)
    return (
      <Waiting
        what="the days to come"
        error={kept.error}
        retry={<Action label="Try again" onPress={() => void kept.refetch()} />}
      />
    );
  return <Days key={kept.data.revision} kept={kept.data} />;
}

function Days({ kept: { revision, day } }: { kept: KeptShopDay }) {
  const client = useQueryClient();
  const unit = usePerson().person.temperature;
  const [dates] = useState(() => Array.from({ length: DAYS }, (_, index) => dateOf(clock.now() + index * MS_PER_DAY)));
  const [typed, setTyped] = useState(() =>
    dates.map((date) =>
      typedOf(
        day.forecast.find((forecastDay) => forecastDay.date === date),
        unit,
      ),
    ),
  );
  const [tried, setTried] = useState(false);
  const save = useMutation({
    mutationFn: (forecast: readonly ForecastDay[]) =>
      request('PUT', '/shop/day', keptShopDaySchema, { revision, day: { ...day, forecast } }),
    onSuccess: (now) => {
      client.setQueryData(['hours'], now);
      for (const queryKey of [['air'], ['day']]) void client.invalidateQueries({ queryKey });
      router.push('/clock');
    },
  });
  const read = typed.map((row) =>
    isEmpty(row) ? [] : FIELDS.map(({ key }) => [key, v.safeParse(schemaOf(key, unit), row[key])] as const),
  );
  const faultOf = (index: number, key: Key) =>
    tried ? read[index]!.find(([of]) => of === key)?.[1].issues?.[0].message : undefined;
  const keep = () => {
    setTried(true);
    if (read.flat().some(([, { success }]) => !success)) return;
    save.mutate(
      read.flatMap((dayFigures, index) =>
        dayFigures.length === 0 ? [] : [{ date: dates[index]!, ...figuresOf(dayFigures) }],
      ),
    );
  };
  return (
    <Panel>
      <Heading>The days to come</Heading>
      <Small>
        How it will be in the shop: warmest in the afternoon, coolest before dawn. Leave a day empty where you do not
        know.
      </Small>
      {dates.map((date, index) => (
        <View key={date} style={styles.day}>
          <Small tone="ink">{index === 0 ? 'Today' : index === 1 ? 'Tomorrow' : dayName(date)}</Small>
          <View style={styles.row}>
            {FIELDS.map(({ key, label }) => (
              <Typed
                key={key}
                label={label}
                unit={key === 'dayC' || key === 'nightC' ? `°${unit}` : '%'}
                value={typed[index]![key]}
                onChange={(text) =>
                  setTyped(typed.map((row, rowIndex) => (rowIndex === index ? { ...row, [key]: text } : row)))
                }
                fault={faultOf(index, key)}
                testID={`${key}-${index}`}
              />
            ))}
          </View>
        </View>
      ))}
      {save.error ? <Notice level="stop" text={save.error.message} /> : null}
      <Action label="Plan with these days" busy={save.isPending} onPress={keep} testID="keep-forecast" />
    </Panel>
  );
}

type Read = readonly (readonly [Key, { readonly output: unknown }])[];
const figuresOf = (read: Read): Omit<ForecastDay, 'date'> =>
  Object.fromEntries(read.map(([key, { output }]) => [key, output])) as Omit<ForecastDay, 'date'>;

const typedOf = (day: ForecastDay | undefined, unit: 'C' | 'F'): TypedDay =>
  day
    ? {
        dayC: temperatureText(day.dayC, unit),
        nightC: temperatureText(day.nightC, unit),
        dayRh: String(day.dayRh),
        nightRh: String(day.nightRh),
      }
    : EMPTY;

/** The date of a moment where this device is. */
function dateOf(ms: number): string {
  const date = new Date(ms);
  return [date.getFullYear(), date.getMonth() + 1, date.getDate()]
    .map((part) => String(part).padStart(2, '0'))
    .join('-');
}

const dayName = (date: string): string => new Date(`${date}T12:00`).toLocaleDateString(undefined, { weekday: 'long' });

const styles = StyleSheet.create({
  day: { gap: space.tight },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
