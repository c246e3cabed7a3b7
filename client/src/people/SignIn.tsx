import type { CurrentPerson } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Switch } from 'react-native-paper';
import { Typed } from '@/forms/Field';
import { useWords } from '@/person/PersonContext';
import { PlainNote } from '@/sync/PlainNote';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Panel, Screen } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { useSignIn } from './who';

/** Sign-in screen. */
export function SignIn({ me }: { me: CurrentPerson }) {
  if (!me.setUp) return <SetUp />;
  return (
    <Screen title="Sign in">
      {me.phone && me.phone.people.length > 0 ? <ByPin phone={me.phone} /> : null}
      <ByPassphrase phone={me.phone?.name ?? null} />
      <PlainNote />
    </Screen>
  );
}

/** Switching people by PIN on a shared phone. */
function ByPin({ phone }: { phone: NonNullable<CurrentPerson['phone']> }) {
  const signIn = useSignIn();
  const [person, setPerson] = useState<string | null>(null);
  const [pin, setPin] = useState('');
  return (
    <Panel>
      <Heading>Whose hands are these?</Heading>
      <Small>{phone.name}</Small>
      <Rows>
        {phone.people.map(({ id, name }) => (
          <View key={id}>
            <Row
              label={name}
              chosen={id === person}
              onPress={() => setPerson(id === person ? null : id)}
              testID="hands"
            >
              <Body>{name}</Body>
            </Row>
            {id === person ? (
              <Unfolded>
                <Typed whole secret keys="numeric" label="PIN" value={pin} onChange={setPin} testID="pin" />
                {signIn.error ? <Notice level="stop" text={signIn.error.message} /> : null}
                <Action
                  rank="main"
                  label="Go on"
                  busy={signIn.isPending}
                  disabled={pin.length < 4}
                  onPress={() => signIn.mutate({ way: 'pin', person: id, pin }, { onSettled: () => setPin('') })}
                  testID="pin-in"
                />
              </Unfolded>
            ) : null}
          </View>
        ))}
      </Rows>
    </Panel>
  );
}

function ByPassphrase({ phone: paired }: { phone: string | null }) {
  const { text } = useWords();
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [isShops, setIsShops] = useState(false);
  const [phone, setPhone] = useState('');
  return (
    <Panel>
      <Heading>Name and passphrase</Heading>
      <Typed whole label="Name" value={name} onChange={setName} testID="name" />
      <Typed whole secret label="Passphrase" value={passphrase} onChange={setPassphrase} testID="passphrase" />
      {paired === null ? (
        <View style={styles.switch}>
          <Switch
            value={isShops}
            onValueChange={setIsShops}
            accessibilityLabel={text('This phone belongs to the shop')}
            testID="shop-phone"
          />
          <View style={styles.grow}>
            <Body>This phone belongs to the shop</Body>
            <Small>An owner says so, once. Then others sign in on it with a short PIN.</Small>
          </View>
        </View>
      ) : null}
      {isShops ? (
        <Typed whole label="What the phone is called" value={phone} onChange={setPhone} testID="phone-name" />
      ) : null}
      {signIn.error ? <Notice level="stop" text={signIn.error.message} /> : null}
      <Action
        rank="main"
        label="Sign in"
        busy={signIn.isPending}
        disabled={name.trim() === '' || passphrase === '' || (isShops && phone.trim() === '')}
        onPress={() =>
          signIn.mutate(
            { way: 'passphrase', name: name.trim(), passphrase, phone: isShops ? phone.trim() : null },
            { onSettled: () => setPassphrase('') },
          )
        }
        testID="sign-in"
      />
    </Panel>
  );
}

/** The first owner comes in with the code that the start has printed. */
function SetUp() {
  const signIn = useSignIn();
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  return (
    <Screen
      title="Set the shop up"
      about="This server is open to the network of the shop: from now on everybody says who they are."
    >
      <Panel>
        <Typed
          whole
          label="Code"
          hint="Printed where Lintrel was started: three groups of four"
          value={code}
          onChange={setCode}
          testID="code"
        />
        <Typed whole label="Your name" value={name} onChange={setName} testID="name" />
        <Typed
          whole
          secret
          label="Your passphrase"
          hint="Ten letters at least: a few words are easier to keep than signs"
          value={passphrase}
          onChange={setPassphrase}
          testID="passphrase"
        />
        {signIn.error ? <Notice level="stop" text={signIn.error.message} /> : null}
        <Action
          rank="main"
          label="Set the shop up"
          busy={signIn.isPending}
          disabled={code.trim() === '' || name.trim() === '' || passphrase === ''}
          onPress={() => signIn.mutate({ way: 'set-up', code, name: name.trim(), passphrase })}
          testID="set-up"
        />
        <Small>{phrase`You are the owner: you let others in, and may do everything.`}</Small>
      </Panel>
      <PlainNote />
    </Screen>
  );
}

const styles = StyleSheet.create({
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle },
  grow: { flex: 1 },
});
