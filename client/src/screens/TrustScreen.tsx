import { trustSchema } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useQuery } from '@tanstack/react-query';
import { Image, Linking, StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

/** How to trust this shop on a phone: then it stays awake, raises alarms, and opens offline. */
export function TrustScreen() {
  const { text } = useWords();
  const trust = useQuery({ queryKey: ['trust'], queryFn: () => request('GET', '/trust', trustSchema) });
  if (!trust.data)
    return (
      <Waiting
        what="the certificate"
        error={trust.error}
        retry={<Action label="Try again" onPress={() => void trust.refetch()} />}
      />
    );
  const { addresses, fingerprint } = trust.data;
  if (fingerprint === null)
    return (
      <Screen title="A phone in the shop">
        <Body>
          {addresses.length > 0
            ? 'This shop has a certificate that phones trust already. Open:'
            : 'This server is open to this machine alone. Start it with HOST=0.0.0.0 to let phones in.'}
        </Body>
        {addresses.map((address) => (
          <Heading key={address}>{address}</Heading>
        ))}
      </Screen>
    );
  return (
    <Screen
      title="A phone in the shop"
      about="Once for each phone. Without it the phone may fall asleep, cannot call you, and opens only with a connection."
    >
      <Panel>
        <Heading>1. Open this page on the phone</Heading>
        <Body>In the wireless network of the shop, scan this or type it:</Body>
        <View style={styles.code}>
          <Image
            source={{ uri: '/api/trust/code.svg' }}
            style={styles.picture}
            aria-label={text('Code with the address of this page')}
          />
        </View>
        {addresses.map((address) => (
          <Small key={address} tone="ink">
            {`${address.replace('https:', 'http:')}/trust`}
          </Small>
        ))}
      </Panel>
      <Panel>
        <Heading>2. Fetch the certificate of the shop</Heading>
        <Action
          label="Fetch the certificate"
          icon="download-outline"
          onPress={() => void Linking.openURL('/api/trust/certificate')}
          testID="fetch-certificate"
        />
        <Body>
          Then open it, or look in the settings of the phone under security for certificates, and install it as an
          authority. Some phones ask for a second consent, where they list trusted certificates.
        </Body>
        <Small>{phrase`Its mark must be ${fingerprint}`}</Small>
      </Panel>
      <Panel>
        <Heading>3. Open the shop in secret</Heading>
        {addresses.map((address) => (
          <Action key={address} label={address} onPress={() => void Linking.openURL(address)} />
        ))}
        <Body>Put it on the home screen from there.</Body>
      </Panel>
      <Notice
        level="caution"
        text="A phone that trusts it believes whoever holds its key. The key lies in Lintrel's folder on this machine: give it to nobody, and take the certificate off a phone that leaves the shop."
      />
    </Screen>
  );
}

const styles = StyleSheet.create({
  code: { alignItems: 'flex-start', paddingVertical: space.small },
  picture: { width: measure.typed * 1.5, height: measure.typed * 1.5 },
});
