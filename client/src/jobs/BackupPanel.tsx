import { type BackupFailure, backupsSchema, MS_PER_DAY, MS_PER_MINUTE } from '@lintrel/core/front';
import { countPhrase, phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { useCurrentPerson, useIsAllowed } from '@/people/who';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { useNow } from '@/ui/useNow';
import { countdown, dayAndTime } from '@/words';

/** Older than this something is wrong with them. */
const LATE_MS = 1.5 * MS_PER_DAY;

const WHY: Readonly<Record<BackupFailure['why'], string>> = {
  full: 'The disk is full. Make room on it.',
  denied: 'The folder for backups cannot be written to. Look at its permissions.',
  folder: 'The folder for backups is not there, or is a file.',
  database: 'The database could not be reached.',
  other: 'The log of the server says why.',
};

/** Time of the last backup, obstacles to the next one, and a button to make one now. */
export function BackupPanel() {
  const client = useQueryClient();
  const now = useNow();
  const may = useIsAllowed();
  const signIn = useCurrentPerson().data?.signIn ?? false;
  const { data } = useQuery({ queryKey: ['backups'], queryFn: () => request('GET', '/shop/backups', backupsSchema) });
  const make = useMutation({
    mutationFn: () => request('POST', '/shop/backups', backupsSchema),
    onSuccess: (answer) => client.setQueryData(['backups'], answer),
  });
  if (!data?.made) return null;
  const [newest] = data.backups;
  const age = newest ? now - Date.parse(newest.at) : null;
  return (
    <Panel>
      <Heading>Backup of the shop</Heading>
      {age === null || !newest ? (
        <Body>{data.failure ? 'None yet.' : 'None yet: the first is made some seconds after the start.'}</Body>
      ) : (
        <Body>{phrase`Last one ${age < MS_PER_MINUTE ? 'just now' : phrase`${countdown(age)} ago`}, ${(newest.bytes / 1e6).toFixed(2)} MB`}</Body>
      )}
      {data.failure ? (
        <Notice
          level="stop"
          text={phrase`No backup could be made on ${dayAndTime(data.failure.at)}. ${WHY[data.failure.why]} It is tried again every hour.`}
        />
      ) : age !== null && age > LATE_MS ? (
        <Notice level="caution" text="It should be no older than a day: look whether the disk is full." />
      ) : null}
      {data.low && data.freeBytes !== null ? (
        <Notice
          level="caution"
          text={phrase`Only ${(data.freeBytes / 1e6).toFixed(0)} MB are free on the disk for backups. Make room.`}
        />
      ) : null}
      <Small>{phrase`Made every day, the last ${data.most} are kept beside the database; ${countPhrase(data.backups.length, 'is', 'are')} there. Copy one to another machine now and then.`}</Small>
      {make.error ? <Notice level="stop" text={make.error.message} /> : null}
      <Action label="Back up now" busy={make.isPending} onPress={() => make.mutate()} testID="backup-now" />
      {signIn && may('people') ? <BackupPassphrase isSet={data.keySet} /> : null}
    </Panel>
  );
}

/** The passphrase with which PINs and passphrases of people come back from a backup. */
function BackupPassphrase({ isSet }: { readonly isSet: boolean }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [passphrase, setPassphrase] = useState('');
  const set = useMutation({
    mutationFn: () => request('PUT', '/shop/backup-key', backupsSchema, { passphrase }),
    onSuccess: (state) => {
      client.setQueryData(['backups'], state);
      setOpen(false);
      setPassphrase('');
    },
  });
  return (
    <>
      <Small>
        {isSet
          ? 'Passphrases and PINs of people are in each backup, encrypted. Whoever puts one back needs the backup passphrase for them.'
          : 'Passphrases and PINs of people are not in backups: put back, an owner sets a new passphrase by a code. With a backup passphrase they are in it, encrypted.'}
      </Small>
      {open ? (
        <>
          <Typed
            whole
            secret
            label="Backup passphrase"
            hint="Ten characters at least. It is kept nowhere: write it down in a safe place."
            value={passphrase}
            onChange={setPassphrase}
            testID="backup-passphrase"
          />
          {set.error ? <Notice level="stop" text={set.error.message} /> : null}
          <Action
            label="Set the backup passphrase"
            busy={set.isPending}
            onPress={() => set.mutate()}
            testID="set-backup-passphrase"
          />
        </>
      ) : (
        <Action
          rank="quiet"
          label={isSet ? 'Another backup passphrase' : 'Set a backup passphrase'}
          onPress={() => setOpen(true)}
          testID="open-backup-passphrase"
        />
      )}
    </>
  );
}
