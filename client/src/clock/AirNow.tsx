import { airAnswerSchema, type AirAnswer } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { Typed } from '@/forms/Field';
import { useMay } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';
import { clockTime } from '@/words';
import { readTyped } from './airTyped';

/** The air the times are counted with: what the sensor says, or what somebody reads off and types. */
export function AirNow({ air: { readings, sensor }, now }: { air: AirAnswer; now: number }) {
  const client = useQueryClient();
  const { temperature } = useWords();
  const may = useMay()('run');
  const [typed, setTyped] = useState({ airC: '', rhPercent: '' });
  const [fault, setFault] = useState<string | null>(null);
  const send = useMutation({
    mutationFn: (body: { airC: number; rhPercent: number }) => request('POST', '/air', airAnswerSchema, { at: new Date(clock.now()).toISOString(), ...body }),
    onSuccess: (told) => {
      client.setQueryData(['air'], told);
      setTyped({ airC: '', rhPercent: '' });
    },
  });
  const last = readings[readings.length - 1];
  const keep = () => {
    const read = readTyped(typed);
    setFault(typeof read === 'string' ? read : null);
    if (typeof read !== 'string') send.mutate(read);
  };
  return (
    <Panel>
      <Heading>The air</Heading>
      <Body>
        {last
          ? phrase`${temperature(last.airC, 1)} and ${Math.round(last.rhPercent)} % at ${clockTime(Date.parse(last.at), now)}`
          : 'Nobody has read it off: times are counted with the air each job was planned for.'}
      </Body>
      {sensor?.state === 'silent' ? (
        <Notice
          level="caution"
          text={
            sensor.heardAt
              ? phrase`The sensor has said nothing since ${clockTime(Date.parse(sensor.heardAt), now)}. Two hours after its last word times are counted with the air of each job; read it off and type it.`
              : 'The sensor says nothing. Read the air off and type it.'
          }
        />
      ) : null}
      {sensor?.state === 'out-of-range' ? (
        <Notice level="caution" text="The sensor says what cannot be: it is wet, or its wire is off. Nothing of that is counted." />
      ) : null}
      {may ? (
        <>
          <View style={styles.row}>
            <Typed label="Air now" unit="°C" keys="numeric" value={typed.airC} onChange={(airC) => setTyped({ ...typed, airC })} testID="air-now" />
            <Typed
              label="Humidity"
              unit="%"
              keys="numeric"
              value={typed.rhPercent}
              onChange={(rhPercent) => setTyped({ ...typed, rhPercent })}
              testID="rh-now"
            />
          </View>
          {(fault ?? send.error) ? <Notice level="stop" text={fault ?? send.error!.message} /> : null}
          <Action label="Count with this air" busy={send.isPending} onPress={keep} testID="keep-air" />
        </>
      ) : null}
      <Small>Windows that are on move with it: colder air, later.</Small>
    </Panel>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
