import { type DayAnswer, type DayWorkAnswer, MS_PER_DAY } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Small } from '@/ui/Typography';
import { clockTime } from '@/words';
import { clockOf, readClock } from './dayTime';

const ANYBODY = '';

/** Who does a stretch of work and when it begins, as a person fixes it. */
export function PinForm({
  work,
  day,
  now,
  onDone,
}: {
  work: DayWorkAnswer;
  day: DayAnswer;
  now: number;
  onDone: () => void;
}) {
  const client = useQueryClient();
  const [person, setPerson] = useState(work.pinned?.person ?? ANYBODY);
  const [at, setAt] = useState(() => (work.pinned?.atMs ? clockOf(minuteOf(work.pinned.atMs)) : ''));
  const [tried, setTried] = useState(false);
  const minute = at.trim() === '' ? null : readClock(at);
  const wrong = at.trim() !== '' && minute === null;
  const keep = useMutation({
    mutationFn: (pin: { person: string | null; at: string | null }) =>
      request('PUT', '/day/pins', null, { work: work.id, ...pin }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['day'] });
      onDone();
    },
  });
  const send = () => {
    setTried(true);
    if (!wrong)
      keep.mutate({
        person: person === ANYBODY ? null : person,
        at: minute === null ? null : new Date(momentOf(minute, now)).toISOString(),
      });
  };
  return (
    <View style={styles.form} testID="pin-form">
      <Choice
        label="Done by"
        value={person}
        options={[
          { value: ANYBODY, label: 'Whoever it suits' },
          ...day.people.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={setPerson}
      />
      <Typed
        whole
        label="Begins at"
        hint={
          minute === null
            ? 'Such as 14:30; empty: when it suits'
            : phrase`Begins ${clockTime(momentOf(minute, now), now)}`
        }
        value={at}
        onChange={setAt}
        fault={tried && wrong ? 'Write a time such as 14:30, or leave it empty.' : undefined}
        testID="pin-at"
      />
      {keep.error ? <Notice level="stop" text={keep.error.message} /> : null}
      <View style={styles.row}>
        <Action label="Fix it so" busy={keep.isPending} onPress={send} testID="keep-pin" />
        {work.pinned ? (
          <Action label="Let it go" onPress={() => keep.mutate({ person: null, at: null })} testID="let-go" />
        ) : null}
        <Action rank="quiet" label="Never mind" onPress={onDone} />
      </View>
      <Small>Where it cannot be so, the clock says it and plans without.</Small>
    </View>
  );
}

const minuteOf = (ms: number): number => {
  const date = new Date(ms);
  return date.getHours() * 60 + date.getMinutes();
};

/** The next moment at a time of day. */
function momentOf(minute: number, now: number): number {
  const today = new Date(now).setHours(Math.floor(minute / 60), minute % 60, 0, 0);
  return today < now ? today + MS_PER_DAY : today;
}

const styles = StyleSheet.create({
  form: { gap: space.small, paddingVertical: space.small },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
