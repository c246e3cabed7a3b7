import { airAnswerSchema } from '@lintrel/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { readTyped } from '@/clock/airTyped';
import { Typed } from '@/forms/Field';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Screen } from '@/ui/Screen';

/** The air as somebody reads it off now: windows that are on count with it at once. */
export function AirScreen() {
  const client = useQueryClient();
  const [typed, setTyped] = useState({ airC: '', rhPercent: '' });
  const [fault, setFault] = useState<string | null>(null);
  const send = useMutation({
    mutationFn: (body: { airC: number; rhPercent: number }) => request('POST', '/air', airAnswerSchema, { at: new Date(clock.now()).toISOString(), ...body }),
    onSuccess: (told) => {
      client.setQueryData(['air'], told);
      router.push('/clock');
    },
  });
  const keep = () => {
    const read = readTyped(typed);
    setFault(typeof read === 'string' ? read : null);
    if (typeof read !== 'string') send.mutate(read);
  };
  return (
    <Screen
      title="The air now"
      about="As it is where the pieces dry. Before the first reading, and some time after the last, the air a job was planned for is counted."
      action={<Action rank="main" label="Count with this air" busy={send.isPending} onPress={keep} testID="keep-air" />}
    >
      {(fault ?? send.error) ? <Notice level="stop" text={fault ?? send.error!.message} /> : null}
      <Panel>
        <View style={styles.row}>
          <Typed label="Air" unit="°C" keys="numeric" value={typed.airC} onChange={(airC) => setTyped({ ...typed, airC })} testID="air-now" />
          <Typed label="Humidity" unit="%" keys="numeric" value={typed.rhPercent} onChange={(rhPercent) => setTyped({ ...typed, rhPercent })} testID="rh-now" />
        </View>
      </Panel>
    </Screen>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
