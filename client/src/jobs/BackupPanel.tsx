import { backupsSchema, MS_PER_DAY, MS_PER_MINUTE } from '@lintrel/core/front';
import { phrase, several } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { request } from '@/api/http';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { useNow } from '@/ui/useNow';
import { Body, Heading, Small } from '@/ui/Words';
import { countdown } from '@/words';

/** Older than this something is wrong with them. */
const LATE_MS = 1.5 * MS_PER_DAY;

/** When the shop was last backed up, and how to do it now. */
export function BackupPanel() {
  const client = useQueryClient();
  const now = useNow();
  const { data } = useQuery({ queryKey: ['backups'], queryFn: () => request('GET', '/shop/backups', backupsSchema) });
  const make = useMutation({ mutationFn: () => request('POST', '/shop/backups', backupsSchema), onSuccess: (made) => client.setQueryData(['backups'], made) });
  if (!data?.made) return null;
  const [newest] = data.backups;
  const age = newest ? now - Date.parse(newest.at) : null;
  return (
    <Panel>
      <Heading>Backup of the shop</Heading>
      {age === null || !newest ? (
        <Body>None yet: the first is made some seconds after the start.</Body>
      ) : (
        <Body>{phrase`Last one ${age < MS_PER_MINUTE ? 'just now' : phrase`${countdown(age)} ago`}, ${(newest.bytes / 1e6).toFixed(2)} MB`}</Body>
      )}
      {age !== null && age > LATE_MS ? <Notice level="caution" text="It should be no older than a day: look whether the disk is full." /> : null}
      <Small>{phrase`Made every day, the last ${data.most} are kept beside the database; ${several(data.backups.length, 'is', 'are')} there. Copy one to another machine now and then.`}</Small>
      {make.error ? <Notice level="stop" text={make.error.message} /> : null}
      <Action label="Back up now" busy={make.isPending} onPress={() => make.mutate()} testID="backup-now" />
    </Panel>
  );
}
