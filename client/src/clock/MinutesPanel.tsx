import { type MinutesAnswer, minutesAnswerSchema } from '@lintrel/core';
import { countPhrase, phrase, SORT_NAMES } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { useIsAllowed } from '@/people/who';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { times } from '@/words';

const KEY = ['minutes'];

/** Working speeds against the plan, from the run sheets; used by the day's plan, and can be reset. */
export function MinutesPanel() {
  const client = useQueryClient();
  const may = useIsAllowed()('plan');
  const { data } = useQuery({ queryKey: KEY, queryFn: () => request('GET', '/shop/minutes', minutesAnswerSchema) });
  const forget = useMutation({
    mutationFn: () => request('DELETE', '/shop/minutes', minutesAnswerSchema),
    onSuccess: (now) => {
      client.setQueryData(KEY, now);
      void client.invalidateQueries({ queryKey: ['day'] });
    },
  });
  if (!data) return null;
  const people = [...new Set(data.map(({ person }) => person))];
  return (
    <Panel testID="minutes">
      <Heading>How long work takes here</Heading>
      {data.length === 0 ? (
        <Small>
          Nothing is known yet. Steps ticked off one after the other in Run tell how long they take in this shop.
        </Small>
      ) : (
        <>
          <Small>
            Times as long as planned (estimate), from steps one person did one after the other. Two times in three the
            truth lies in the range. The day's plan counts with each person's own, and with everybody's where nothing is
            known of somebody.
          </Small>
          {people.map((person) => (
            <View key={person ?? ''} style={styles.list}>
              <Small>{person ?? 'Everybody'}</Small>
              {data
                .filter((speed) => speed.person === person)
                .map((speed) => (
                  <SpeedRow key={speed.sort} speed={speed} />
                ))}
            </View>
          ))}
          {may ? (
            <Action
              rank="quiet"
              label="Begin again from the plan"
              busy={forget.isPending}
              onPress={() => forget.mutate()}
              testID="forget-minutes"
            />
          ) : null}
        </>
      )}
    </Panel>
  );
}

function SpeedRow({ speed: { sort, factor, low, high, count } }: { speed: MinutesAnswer[number] }) {
  return (
    <View style={styles.row}>
      <View style={styles.what}>
        <Body>{SORT_NAMES[sort]}</Body>
        <Small>{phrase`${times(low)} to ${times(high)}, from ${countPhrase(count, 'step')}`}</Small>
      </View>
      <Figure label="times the plan" value={times(factor)} />
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: space.tight },
  row: {
    flexDirection: 'row',
    gap: space.base,
    alignItems: 'center',
    justifyContent: 'space-between',
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
  what: { flexShrink: 1 },
});
