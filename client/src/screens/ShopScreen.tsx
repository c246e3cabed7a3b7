import { type CurrentPerson, sessionsSchema } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { BackupPanel } from '@/jobs/BackupPanel';
import { CalendarLink } from '@/people/CalendarLink';
import { PeoplePanel } from '@/people/PeoplePanel';
import { Phones } from '@/people/Phones';
import { RefusalNote } from '@/people/RefusalNote';
import { ROLE_NAMES } from '@/people/roles';
import { useCurrentPerson, useIsAllowed, useSignOut } from '@/people/who';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Screen } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { dayAndTime } from '@/words';

/** The shop: your account, people, phones, and the backup. */
export function ShopScreen() {
  const me = useCurrentPerson().data;
  const may = useIsAllowed();
  return (
    <Screen title="The shop">
      {me?.signIn && me.person ? (
        <Own me={me} />
      ) : (
        <Body>On this machine alone nobody has to sign in. Open to the network of the shop, everybody does.</Body>
      )}
      {me?.person && may('people') ? <PeoplePanel /> : null}
      {me?.signIn && me.person ? <Sessions /> : null}
      <Panel>
        <Heading>Phones</Heading>
        {me?.signIn && may('people') ? <Phones /> : null}
        <Action
          label="How a phone comes to trust this shop"
          onPress={() => router.push('/trust' as Href)}
          testID="to-trust"
        />
      </Panel>
      {may('shop') ? <BackupPanel /> : null}
    </Screen>
  );
}

function Own({ me }: { me: CurrentPerson }) {
  const client = useQueryClient();
  const signOut = useSignOut();
  const [passphrase, setPassphrase] = useState('');
  const [pin, setPin] = useState('');
  const [open, setOpen] = useState(false);
  const keepPin = useMutation({
    mutationFn: () => request('PUT', '/me/pin', null, { passphrase, pin }),
    onSuccess: () => {
      setPassphrase('');
      setPin('');
      setOpen(false);
      void client.invalidateQueries({ queryKey: ['me'] });
    },
  });
  return (
    <Panel>
      <Heading>{me.person?.name ?? ''}</Heading>
      <Small>{me.person ? ROLE_NAMES[me.person.role] : ''}</Small>
      {me.pinEnded ? (
        <Notice
          level="caution"
          text="Your PIN has ended: a PIN now opens a painter's rights, never an owner's. Set a new one below."
        />
      ) : null}
      <View style={styles.pair}>
        <Action label="Sign out" busy={signOut.isPending} onPress={() => signOut.mutate()} testID="sign-out" />
        <Action rank="quiet" label="A PIN for phones of the shop" onPress={() => setOpen(!open)} testID="own-pin" />
      </View>
      {open ? (
        <>
          <Typed
            whole
            secret
            label="Your passphrase"
            value={passphrase}
            onChange={setPassphrase}
            testID="own-passphrase"
          />
          <Typed
            whole
            secret
            keys="numeric"
            label="PIN, four to eight digits"
            value={pin}
            onChange={setPin}
            testID="new-pin"
          />
          <RefusalNote error={keepPin.error} />
          <Action label="Keep this PIN" busy={keepPin.isPending} onPress={() => keepPin.mutate()} testID="keep-pin" />
        </>
      ) : null}
      <CalendarLink />
    </Panel>
  );
}

function Sessions() {
  const client = useQueryClient();
  const sessions =
    useQuery({ queryKey: ['sessions'], queryFn: () => request('GET', '/sessions', sessionsSchema) }).data?.sessions ??
    [];
  const end = useMutation({
    mutationFn: (id: string) => request('DELETE', `/sessions/${id}`, null),
    onSuccess: () => client.invalidateQueries({ queryKey: ['sessions'] }),
  });
  return (
    <Panel>
      <Heading>Signed in</Heading>
      {sessions.map(({ id, person, device, phone, seenAt, own }) => (
        <View key={id} style={styles.session} testID="session">
          <View style={styles.grow}>
            <Body>{phrase`${person}, ${phone ?? device}${own ? ' (here)' : ''}`}</Body>
            <Small>{phrase`seen ${dayAndTime(seenAt)}`}</Small>
          </View>
          {own ? null : <Action rank="quiet" label="End" onPress={() => end.mutate(id)} testID="end-session" />}
        </View>
      ))}
    </Panel>
  );
}

const styles = StyleSheet.create({
  pair: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  session: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  grow: { flex: 1 },
});
