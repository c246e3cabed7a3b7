import { newPersonSchema, peopleSchema, personSchema, ROLES, sessionsSchema, type Me, type Role } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { BackupPanel } from '@/jobs/BackupPanel';
import { useMay, useMe, useSignOut } from '@/people/who';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Panel, Screen } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';
import { dayAndTime } from '@/words';

const ROLE_NAMES: Readonly<Record<Role, string>> = { owner: 'Owner', painter: 'Painter', helper: 'Helper', viewer: 'Looks on' };
const ROLE_MEANINGS: Readonly<Record<Role, string>> = {
  owner: 'May do everything, and lets others in.',
  painter: 'Plans and runs jobs, keeps the shelf.',
  helper: 'Works by run sheets that others have started.',
  viewer: 'Sees everything and changes nothing.',
};

/** The shop: who one is here, who works here, phones, and the backup. */
export function ShopScreen() {
  const me = useMe().data;
  const may = useMay();
  return (
    <Screen title="The shop">
      {me?.signIn && me.person ? <Own me={me} /> : <Body>On this machine alone nobody has to sign in. Open to the network of the shop, everybody does.</Body>}
      {me?.person && may('people') ? <People /> : null}
      {me?.signIn && me.person ? <Sessions /> : null}
      <Panel>
        <Heading>Phones</Heading>
        <Action label="How a phone comes to trust this shop" onPress={() => router.push('/trust' as Href)} testID="to-trust" />
      </Panel>
      {may('shop') ? <BackupPanel /> : null}
    </Screen>
  );
}

/** What is wrong, said once. */
const Wrong = ({ error }: { error: Error | null }) => (error ? <Notice level="stop" text={error.message} /> : null);

function Own({ me }: { me: Me }) {
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
    },
  });
  return (
    <Panel>
      <Heading>{me.person?.name ?? ''}</Heading>
      <Small>{me.person ? ROLE_NAMES[me.person.role] : ''}</Small>
      <View style={styles.pair}>
        <Action label="Sign out" busy={signOut.isPending} onPress={() => signOut.mutate()} testID="sign-out" />
        <Action rank="quiet" label="A PIN for phones of the shop" onPress={() => setOpen(!open)} testID="own-pin" />
      </View>
      {open ? (
        <>
          <Typed whole secret label="Your passphrase" value={passphrase} onChange={setPassphrase} testID="own-passphrase" />
          <Typed whole secret keys="numeric" label="PIN, four to eight digits" value={pin} onChange={setPin} testID="new-pin" />
          <Wrong error={keepPin.error} />
          <Action label="Keep this PIN" busy={keepPin.isPending} onPress={() => keepPin.mutate()} testID="keep-pin" />
        </>
      ) : null}
    </Panel>
  );
}

function People() {
  const client = useQueryClient();
  const people = useQuery({ queryKey: ['people'], queryFn: () => request('GET', '/people', peopleSchema) }).data?.people ?? [];
  const again = () => client.invalidateQueries({ queryKey: ['people'] });
  const [open, setOpen] = useState<string | null>(null);
  const add = useMutation({ mutationFn: (person: v.InferInput<typeof newPersonSchema>) => request('POST', '/people', personSchema, person), onSuccess: again });
  const change = useMutation({
    mutationFn: ({ id, role }: { id: string; role: Role }) => request('PUT', `/people/${id}`, personSchema, { role }),
    onSuccess: again,
  });
  const leave = useMutation({ mutationFn: (id: string) => request('DELETE', `/people/${id}`, null), onSuccess: again });
  return (
    <Panel>
      <Heading>People</Heading>
      <Rows>
        {people.map(({ id, name, role, hasPin }) => (
          <View key={id}>
            <Row label={phrase`${name}: ${ROLE_NAMES[role]}`} chosen={id === open} onPress={() => setOpen(id === open ? null : id)} testID="person">
              <Body>{name}</Body>
              <Small>{hasPin ? phrase`${ROLE_NAMES[role]}, with a PIN` : ROLE_NAMES[role]}</Small>
            </Row>
            {id === open ? (
              <Unfolded>
                <RoleChoice value={role} onChange={(to) => change.mutate({ id, role: to })} />
                <Wrong error={change.error ?? leave.error} />
                <Action rank="quiet" label={phrase`${name} leaves`} onPress={() => leave.mutate(id)} testID="leaves" />
              </Unfolded>
            ) : null}
          </View>
        ))}
      </Rows>
      <NewPerson busy={add.isPending} error={add.error} onAdd={(person, done) => add.mutate(person, { onSuccess: done })} />
    </Panel>
  );
}

const RoleChoice = ({ value, onChange }: { value: Role; onChange: (role: Role) => void }) => (
  <>
    <Choice label="May" value={value} options={ROLES.map((role) => ({ value: role, label: ROLE_NAMES[role] }))} onChange={onChange} />
    <Small>{ROLE_MEANINGS[value]}</Small>
  </>
);

interface NewPersonProps {
  readonly busy: boolean;
  readonly error: Error | null;
  readonly onAdd: (person: { name: string; role: Role; passphrase: string }, done: () => void) => void;
}

function NewPerson({ busy, error, onAdd }: NewPersonProps) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [role, setRole] = useState<Role>('painter');
  const done = () => {
    setOpen(false);
    setName('');
    setPassphrase('');
  };
  if (!open) return <Action label="Let somebody in" icon="plus" onPress={() => setOpen(true)} testID="new-person" />;
  return (
    <View style={styles.form}>
      <Typed whole label="Name" value={name} onChange={setName} testID="person-name" />
      <RoleChoice value={role} onChange={setRole} />
      <Typed
        whole
        secret
        label="A passphrase to begin with"
        hint="Ten letters at least; they may change it"
        value={passphrase}
        onChange={setPassphrase}
        testID="person-passphrase"
      />
      <Wrong error={error} />
      <Action
        label="Let them in"
        busy={busy}
        disabled={name.trim() === ''}
        onPress={() => onAdd({ name: name.trim(), role, passphrase }, done)}
        testID="add-person"
      />
    </View>
  );
}

function Sessions() {
  const client = useQueryClient();
  const sessions = useQuery({ queryKey: ['sessions'], queryFn: () => request('GET', '/sessions', sessionsSchema) }).data?.sessions ?? [];
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
  form: { gap: space.small },
  session: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  grow: { flex: 1 },
});
