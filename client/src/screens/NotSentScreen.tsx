import { readWorkSheet } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useQuery } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { clock } from '@/api/clock';
import { useJobs } from '@/api/queries';
import { correctedTime } from '@/sync/correctedTime';
import { outbox, store } from '@/sync/device';
import { useRun } from '@/sync/runQueries';
import type { Pending } from '@/sync/store';
import { timeOf, useEntryWords } from '@/sync/useEntryWords';
import { useOutbox } from '@/sync/useOutbox';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Screen } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

/** What lies on this device alone: entries of run sheets and changes of plans the server has not confirmed. */
export function NotSentScreen() {
  const { pending, unkept } = useOutbox();
  const jobs = useJobs().data?.pages.flatMap((page) => page.jobs) ?? [];
  const drafts =
    useQuery({
      queryKey: ['drafts'],
      queryFn: () => store.jobsWith('drafts'),
      networkMode: 'always',
      refetchInterval: 3000,
    }).data ?? [];
  const titleOf = (id: string) => jobs.find((job) => job.id === id)?.title ?? 'A job';
  const ids = [...new Set(pending.map(({ job }) => job))];
  const nothing = ids.length + drafts.length === 0;
  return (
    <Screen
      title="Not sent yet"
      action={nothing ? undefined : <Action rank="main" label="Send now" onPress={outbox.sendNow} testID="send-now" />}
    >
      <Body>
        {nothing
          ? 'Everything on this device is with the server.'
          : unkept
            ? 'This is sent as soon as the server answers.'
            : 'This lies on this device and is sent as soon as the server answers. It outlives a reload and a flat battery.'}
      </Body>
      {unkept ? (
        <Notice level="stop" text="This device cannot keep it: leave this page open until it is sent." />
      ) : null}
      {ids.map((job) => (
        <Panel key={job}>
          <Heading>{titleOf(job)}</Heading>
          <Entries job={job} pending={pending.filter((other) => other.job === job)} />
        </Panel>
      ))}
      {drafts.map((job) => (
        <Panel key={job}>
          <Heading>{titleOf(job)}</Heading>
          <Body>A change of its plan. Open the job to see how it stands.</Body>
        </Panel>
      ))}
    </Screen>
  );
}

function Entries({ job, pending }: { job: string; pending: readonly Pending[] }) {
  const frozen = useRun(job).data?.started?.plan;
  const wordsOf = useEntryWords(frozen ? readWorkSheet(frozen).steps : []);
  return (
    <>
      {pending.map((other) => {
        const { event, refused } = other;
        const mended = correctedTime(other, clock);
        return (
          <View key={event.id} style={styles.entry} testID="unsent">
            <Body>{wordsOf(event)}</Body>
            {refused ? (
              <>
                <Notice level="caution" text={phrase`Not taken: ${refused.message}`} />
                <View style={styles.pair}>
                  {mended ? (
                    <Action
                      label={phrase`Send as ${timeOf(mended.at)}`}
                      onPress={() => void outbox.again(event.id, mended)}
                      testID="send-mended"
                    />
                  ) : (
                    <Action label="Send again" onPress={() => void outbox.again(event.id)} testID="send-again" />
                  )}
                  <Action
                    rank="quiet"
                    label="Leave it out"
                    onPress={() => void outbox.drop(event.id)}
                    testID="leave-out"
                  />
                </View>
              </>
            ) : (
              <Small>waits to be sent</Small>
            )}
          </View>
        );
      })}
    </>
  );
}

const styles = StyleSheet.create({
  entry: { gap: space.tight, paddingVertical: space.tight },
  pair: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
