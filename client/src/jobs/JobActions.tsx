import { createdSchema, type JobSummary } from '@lintrel/core/front';
import { countPhrase, phrase } from '@lintrel/words';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { offerUndo } from '@/device/undo';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Unfolded } from '@/ui/Row';
import { Small } from '@/ui/Typography';

type What = 'archive' | 'delete';

/** What can be done with a job as a whole. One that is at work in the shop is put away only after a second question. */
export function JobActions({ job, onDone }: { readonly job: JobSummary; readonly onDone: () => void }) {
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: ['jobs'] });
  const [asking, setAsking] = useState<What | null>(null);
  const running = job.state === 'in-shop';
  const path = `/jobs/${job.id}`;
  const away = useMutation({
    mutationFn: (what: What) =>
      what === 'delete'
        ? request('DELETE', `${path}${running ? '?running=yes' : ''}`, null)
        : request('PUT', `${path}/archived${running ? '?running=yes' : ''}`, null, { archived: true }),
    onSuccess: (_, what) => {
      offerUndo({
        text:
          what === 'delete'
            ? phrase`${job.title} was deleted. It is kept for 30 days.`
            : phrase`${job.title} was archived.`,
        undo: () =>
          (what === 'delete'
            ? request('POST', `${path}/undelete`, null)
            : request('PUT', `${path}/archived`, null, { archived: false })
          ).then(again),
      });
      onDone();
      return again();
    },
  });
  const copy = useMutation({
    mutationFn: () => request('POST', `${path}/duplicate`, createdSchema),
    onSuccess: async ({ id }) => {
      await again();
      router.push(`/job/${id}/piece`);
    },
  });
  const ask = (what: What) => (running ? setAsking(what) : away.mutate(what));
  const error = away.error ?? copy.error;
  return (
    <Unfolded>
      {error ? <Notice level="stop" text={error.message} /> : null}
      {asking ? (
        <>
          <Notice
            level="caution"
            text={phrase`${job.title} is at work in the shop: steps of it may be due. It leaves the clock and the plan of the day.`}
          />
          <View style={styles.row}>
            <Action
              label={asking === 'delete' ? 'Delete anyway' : 'Archive anyway'}
              onPress={() => away.mutate(asking)}
              testID="confirm-away"
            />
            <Action rank="quiet" label="Cancel" onPress={() => setAsking(null)} />
          </View>
        </>
      ) : (
        <View style={styles.row}>
          <Action label="Duplicate" busy={copy.isPending} onPress={() => copy.mutate()} testID="duplicate" />
          <Action label="Archive" busy={away.isPending} onPress={() => ask('archive')} testID="archive" />
          <Action
            label="Delete"
            icon="delete-outline"
            busy={away.isPending}
            onPress={() => ask('delete')}
            testID="delete-job"
          />
        </View>
      )}
    </Unfolded>
  );
}

/** What brings a job back that was put away. */
export function BringBack({ job }: { readonly job: JobSummary }) {
  const client = useQueryClient();
  const deleted = typeof job.deletedAt === 'string';
  const back = useMutation({
    mutationFn: () =>
      deleted
        ? request('POST', `/jobs/${job.id}/undelete`, null)
        : request('PUT', `/jobs/${job.id}/archived`, null, { archived: false }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
  return (
    <View style={styles.row}>
      {job.late > 0 ? (
        <Small tone="caution">{phrase`${countPhrase(job.late, 'entry', 'entries')} came from phones after it was deleted`}</Small>
      ) : null}
      {back.error ? <Notice level="stop" text={back.error.message} /> : null}
      <Action
        label="Bring back"
        spoken={phrase`Bring ${job.title} back`}
        busy={back.isPending}
        onPress={() => back.mutate()}
        testID="bring-back"
      />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.small },
});
