import { newPersonSchema, peopleSchema, personSchema, type Role, ROLES } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { RefusalNote } from './RefusalNote';
import { ROLE_MEANINGS, ROLE_NAMES } from './roles';

/** Who works here, and letting others in. */
export function PeoplePanel() {
  const client = useQueryClient();
  const people =
    useQuery({ queryKey: ['people'], queryFn: () => request('GET', '/people', peopleSchema) }).data?.people ?? [];
  const again = () => client.invalidateQueries({ queryKey: ['people'] });
  const [open, setOpen] = useState<string | null>(null);
  const add = useMutation({
    mutationFn: (person: v.InferInput<typeof newPersonSchema>) => request('POST', '/people', personSchema, person),
    onSuccess: again,
  });
  const change = useMutation({
    mutationFn: ({ id, role }: { id: string; role: Role }) => request('PUT', `/people/${id}`, personSchema, { role }),
    onSuccess: again,
  });
  const leave = useMutation({ mutationFn: (id: string) => request('DELETE', `/people/${id}`, null), onSuccess: again });
  return (
    <Panel>
      <Heading>People</Heading>
      <Rows>
        {people.map(({ id, name, role, hasPin, pinLocked }) => (
          <View key={id}>
            <Row
              label={phrase`${name}: ${ROLE_NAMES[role]}`}
              chosen={id === open}
              onPress={() => setOpen(id === open ? null : id)}
              testID="person"
            >
              <Body>{name}</Body>
              <Small>{hasPin ? phrase`${ROLE_NAMES[role]}, with a PIN` : ROLE_NAMES[role]}</Small>
              {pinLocked ? (
                <Notice
                  level="caution"
                  text="PIN locked after wrong tries. Signing in with the passphrase opens it again."
                />
              ) : null}
            </Row>
            {id === open ? (
              <Unfolded>
                <RoleChoice value={role} onChange={(to) => change.mutate({ id, role: to })} />
                <NewPassphrase id={id} onDone={again} />
                <RefusalNote error={change.error ?? leave.error} />
                <Action rank="quiet" label={phrase`${name} leaves`} onPress={() => leave.mutate(id)} testID="leaves" />
              </Unfolded>
            ) : null}
          </View>
        ))}
      </Rows>
      <NewPerson
        busy={add.isPending}
        error={add.error}
        onAdd={(person, done) => add.mutate(person, { onSuccess: done })}
      />
    </Panel>
  );
}

/** Sets a new passphrase for a person who lost theirs; it removes their PIN and ends their sessions. */
function NewPassphrase({ id, onDone }: { readonly id: string; readonly onDone: () => void }) {
  const [open, setOpen] = useState(false);
  const [passphrase, setPassphrase] = useState('');
  const set = useMutation({
    mutationFn: () => request('PUT', `/people/${id}`, personSchema, { passphrase }),
    onSuccess: () => {
      setOpen(false);
      setPassphrase('');
      onDone();
    },
  });
  if (!open)
    return <Action rank="quiet" label="New passphrase" onPress={() => setOpen(true)} testID="new-passphrase" />;
  return (
    <>
      <Typed
        whole
        secret
        label="New passphrase"
        hint="Ends their PIN and signs them out everywhere"
        value={passphrase}
        onChange={setPassphrase}
        testID="set-passphrase"
      />
      <RefusalNote error={set.error} />
      <Action label="Set this passphrase" busy={set.isPending} onPress={() => set.mutate()} testID="keep-passphrase" />
    </>
  );
}

const RoleChoice = ({ value, onChange }: { value: Role; onChange: (role: Role) => void }) => (
  <>
    <Choice
      label="May"
      value={value}
      options={ROLES.map((role) => ({ value: role, label: ROLE_NAMES[role] }))}
      onChange={onChange}
    />
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
      <RefusalNote error={error} />
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

const styles = StyleSheet.create({ form: { gap: space.small } });
