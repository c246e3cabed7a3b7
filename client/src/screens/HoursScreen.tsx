import { keptShopDaySchema, type KeptShopDay, type ShopDay, type Week } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { hoursOf, readHours } from '@/clock/dayTime';
import { MinutesPanel } from '@/clock/MinutesPanel';
import { Typed } from '@/forms/Field';
import { newId } from '@/device/newId';
import { useIsAllowed } from '@/people/who';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const WRONG_HOURS = 'Write hours such as 7:30-16, or leave the day empty.';
const WRONG_DATES = 'Write dates such as 2026-12-24, with commas between.';

/** Hours as typed. */
interface TypedPerson {
  readonly id: string;
  readonly name: string;
  readonly week: readonly string[];
  readonly off: string;
}

const typedOf = ({ id, name, week, off }: ShopDay['people'][number]): TypedPerson => ({
  id,
  name,
  week: week.map(hoursOf),
  off: off.join(', '),
});
const datesIn = (text: string): string[] => text.split(/[\s,;]+/).filter((word) => word !== '');
const isDate = (text: string): boolean => /^\d{4}-\d\d-\d\d$/.test(text) && !Number.isNaN(Date.parse(text));

/** People and hours, and hours of the booth. */
export function HoursScreen() {
  const kept = useQuery({ queryKey: ['hours'], queryFn: () => request('GET', '/shop/day', keptShopDaySchema) });
  if (!kept.data)
    return (
      <Screen title="People and hours">
        <Waiting
          what="the hours"
          error={kept.error}
          retry={<Action label="Try again" onPress={() => void kept.refetch()} />}
        />
      </Screen>
    );
  return <HoursForm key={kept.data.revision} kept={kept.data} />;
}

function HoursForm({ kept: { revision, day } }: { kept: KeptShopDay }) {
  const client = useQueryClient();
  const may = useIsAllowed()('plan');
  const [people, setPeople] = useState(() => day.people.map(typedOf));
  const [booth, setBooth] = useState<readonly string[] | null>(() => day.booth?.map(hoursOf) ?? null);
  const [tried, setTried] = useState(false);
  const save = useMutation({
    mutationFn: (next: ShopDay) => request('PUT', '/shop/day', keptShopDaySchema, { revision, day: next }),
    onSuccess: (now) => {
      client.setQueryData(['hours'], now);
      void client.invalidateQueries({ queryKey: ['day'] });
      router.push('/clock');
    },
  });
  const change = (index: number, next: Partial<TypedPerson>) =>
    setPeople(
      people.map((typedPerson, personIndex) => (personIndex === index ? { ...typedPerson, ...next } : typedPerson)),
    );
  const wrong =
    people.some(
      ({ name, week, off }) =>
        name.trim() === '' || week.some((text) => readHours(text) === undefined) || !datesIn(off).every(isDate),
    ) ||
    (booth?.some((text) => readHours(text) === undefined) ?? false);
  const keep = () => {
    setTried(true);
    if (wrong) return;
    const weekOf = (week: readonly string[]): Week => week.map((text) => readHours(text) ?? null);
    save.mutate({
      ...day,
      // The hours are in the time zone of the person who sets them.
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      people: people.map(({ id, name, week, off }) => ({
        id,
        name: name.trim(),
        week: weekOf(week),
        off: datesIn(off),
      })),
      booth: booth && weekOf(booth),
    });
  };
  const fresh = (): TypedPerson => ({
    id: newId(),
    name: '',
    week: people[0]?.week ?? DAYS.map(() => '7:00-19:00'),
    off: '',
  });
  return (
    <Screen
      title="People and hours"
      about="The day's plan gives work to these people in these hours. Windows that fall outside are told on the clock."
      action={
        may ? (
          <Action rank="main" label="Keep these hours" busy={save.isPending} onPress={keep} testID="keep-hours" />
        ) : undefined
      }
    >
      {save.error ? <Notice level="stop" text={save.error.message} /> : null}
      {people.map((person, index) => (
        <Panel key={person.id}>
          <Heading>{person.name || 'Somebody new'}</Heading>
          <Typed
            whole
            label="Name"
            value={person.name}
            onChange={(name) => change(index, { name })}
            fault={tried && person.name.trim() === '' ? 'Needs a name.' : undefined}
            testID={`name-${index}`}
          />
          <WeekFields
            week={person.week}
            tried={tried}
            name={`hours-${index}`}
            onChange={(week) => change(index, { week })}
          />
          <Typed
            whole
            label="Days off"
            hint="Dates such as 2026-12-24, with commas between"
            value={person.off}
            onChange={(off) => change(index, { off })}
            fault={tried && !datesIn(person.off).every(isDate) ? WRONG_DATES : undefined}
            testID={`off-${index}`}
          />
          <Action
            rank="quiet"
            label={phrase`Take ${person.name || 'this one'} off the list`}
            onPress={() => setPeople(people.filter((_, personIndex) => personIndex !== index))}
            testID="person-gone"
          />
        </Panel>
      ))}
      <Action label="One more person" onPress={() => setPeople([...people, fresh()])} testID="more-people" />
      <Panel>
        <Heading>Booth</Heading>
        <Choice
          label="May be used"
          value={booth ? 'hours' : 'always'}
          options={[
            { value: 'always', label: 'At any hour' },
            { value: 'hours', label: 'In these hours' },
          ]}
          onChange={(value) => setBooth(value === 'always' ? null : (people[0]?.week ?? DAYS.map(() => '7:00-19:00')))}
        />
        {booth ? <WeekFields week={booth} tried={tried} name="booth" onChange={setBooth} /> : null}
      </Panel>
      <MinutesPanel />
    </Screen>
  );
}

/** The hours of a week, a field a day; an empty one: none. */
function WeekFields({
  week,
  tried,
  name,
  onChange,
}: {
  week: readonly string[];
  tried: boolean;
  name: string;
  onChange: (week: readonly string[]) => void;
}) {
  return (
    <View style={styles.week}>
      <Small>Hours of each day, such as 7:30-16. Empty: not that day.</Small>
      <View style={styles.days}>
        {DAYS.map((day, index) => (
          <Typed
            key={day}
            label={day}
            value={week[index] ?? ''}
            onChange={(text) => onChange(week.map((hours, dayIndex) => (dayIndex === index ? text : hours)))}
            fault={tried && readHours(week[index] ?? '') === undefined ? WRONG_HOURS : undefined}
            testID={`${name}-${index}`}
          />
        ))}
      </View>
      <Action
        rank="quiet"
        label="All days like Monday"
        onPress={() => onChange(week.map(() => week[0] ?? ''))}
        testID={`${name}-alike`}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  week: { gap: space.small },
  days: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
