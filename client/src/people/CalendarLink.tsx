import { calendarLinkSchema, newCalendarLinkSchema } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { SecretAddress } from '@/ui/SecretAddress';
import { Small } from '@/ui/Typography';
import { dayAndTime } from '@/words';
import { RefusalNote } from './RefusalNote';

/** The secret address at which a calendar program finds the plan of the day. */
export function CalendarLink() {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ['calendar-link'],
    queryFn: () => request('GET', '/me/calendar', calendarLinkSchema),
  });
  const [address, setAddress] = useState<string | null>(null);
  const again = () => client.invalidateQueries({ queryKey: ['calendar-link'] });
  const make = useMutation({
    mutationFn: () => request('POST', '/me/calendar', newCalendarLinkSchema),
    onSuccess: ({ token }) => {
      setAddress(`${window.location.origin}/api/calendar/${token}`);
      void again();
    },
  });
  const end = useMutation({
    mutationFn: () => request('DELETE', '/me/calendar', null),
    onSuccess: () => {
      setAddress(null);
      void again();
    },
  });
  const madeAt = data?.madeAt ?? null;
  return (
    <>
      <Small>
        {madeAt === null
          ? 'The plan of the day can be subscribed to in your calendar.'
          : phrase`Your calendar has a secret address since ${dayAndTime(madeAt)}. Whoever has it sees the plan of the day.`}
      </Small>
      {address === null ? null : <SecretAddress address={address} testID="calendar-address" />}
      <RefusalNote error={make.error ?? end.error} />
      <View style={styles.pair}>
        <Action
          rank="quiet"
          label={madeAt === null ? 'Make a calendar address' : 'Make another address'}
          busy={make.isPending}
          onPress={() => make.mutate()}
          testID="make-calendar"
        />
        {madeAt === null ? null : (
          <Action
            rank="quiet"
            label="End the address"
            busy={end.isPending}
            onPress={() => end.mutate()}
            testID="end-calendar"
          />
        )}
      </View>
    </>
  );
}

const styles = StyleSheet.create({ pair: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
