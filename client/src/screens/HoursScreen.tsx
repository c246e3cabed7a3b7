import { type KeptShopDay, keptShopDaySchema, type ShopDay, type Week } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { hoursOf, readHours } from '@/clock/dayTime';
import { MinutesPanel } from '@/clock/MinutesPanel';
import { newId } from '@/device/newId';
import { Typed } from '@/forms/Field';
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

/** True where all hours and dates can be read, and everybody has a name. */
const areRead = (people: readonly TypedPerson[], booth: readonly string[] | null): boolean =>
  people.every(({ name, week, off }) => name.trim() !== '' && isWeek(week) && datesIn(off).every(isDate)) &&
  (booth === null || isWeek(booth));
const isWeek = (week: readonly string[]): boolean => week.every((text) => readHours(text) !== undefined);

/** The hours as typed; they are in the time zone of the person who sets them. */
function shopDayFrom(day: ShopDay, people: readonly TypedPerson[], booth: readonly string[] | null): ShopDay {
  const weekOf = (week: readonly string[]): Week => week.map((text) => readHours(text) ?? null);
  return {
    ...day,
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    people: people.map(({ id, name, week, off }) => ({
      id,
      name: name.trim(),
      week: weekOf(week),
      off: datesIn(off),
    })),
    booth: booth && weekOf(booth),
  };
}

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
  const keep = () => {
    setTried(true);
    if (!areRead(people, booth)) return;
    save.mutate(shopDayFrom(day, people, booth));
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
        <PersonHours
          key={person.id}
          person={person}
          index={index}
          tried={tried}
          onChange={(next) => change(index, next)}
          onRemove={() => setPeople(people.filter((_, personIndex) => personIndex !== index))}
        />
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

interface PersonHoursProps {
  readonly person: TypedPerson;
  readonly index: number;
  /** Faults are shown once it was tried to save. */
  readonly tried: boolean;
  readonly onChange: (next: Partial<TypedPerson>) => void;
  readonly onRemove: () => void;
}

/** Name, hours and days off of one person. */
function PersonHours({ person, index, tried, onChange, onRemove }: PersonHoursProps) {
  return (
    <Panel>
      <Heading>{person.name || 'Somebody new'}</Heading>
      <Typed
        whole
        label="Name"
        value={person.name}
        onChange={(name) => onChange({ name })}
        fault={tried && person.name.trim() === '' ? 'Needs a name.' : undefined}
        testID={`name-${index}`}
      />
      <WeekFields week={person.week} tried={tried} name={`hours-${index}`} onChange={(week) => onChange({ week })} />
      <Typed
        whole
        label="Days off"
        hint="Dates such as 2026-12-24, with commas between"
        value={person.off}
        onChange={(off) => onChange({ off })}
        fault={tried && !datesIn(person.off).every(isDate) ? WRONG_DATES : undefined}
        testID={`off-${index}`}
      />
      <Action
        rank="quiet"
        label={phrase`Take ${person.name || 'this one'} off the list`}
        onPress={onRemove}
        testID="person-gone"
      />
    </Panel>
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
