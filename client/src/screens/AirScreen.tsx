import { airAnswerSchema, typedAirSchema } from '@lintrel/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useMemo } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { ForecastForm } from '@/clock/ForecastForm';
import { Field } from '@/forms/Field';
import { showFirstFault } from '@/forms/firstFault';
import { resolverOf } from '@/forms/resolver';
import { typedHumidity, typedTemperature } from '@/forms/typed';
import { useIsAllowed } from '@/people/who';
import { usePerson } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Screen } from '@/ui/Screen';
import { Heading } from '@/ui/Typography';

const { airC, rhPercent } = typedAirSchema.entries;
const schemaIn = (bare: 'C' | 'F') =>
  v.object({ airC: typedTemperature(airC, bare), rhPercent: typedHumidity(rhPercent) });
type Air = v.InferOutput<ReturnType<typeof schemaIn>>;

/** The air of the shop, measured and forecast; both are used at once for windows and the day's plan. */
export function AirScreen() {
  const client = useQueryClient();
  const may = useIsAllowed();
  const unit = usePerson().person.temperature;
  const { control, handleSubmit } = useForm<{ airC: string; rhPercent: string }, unknown, Air>({
    resolver: useMemo(() => resolverOf<{ airC: string; rhPercent: string }, Air>(schemaIn(unit)), [unit]),
    defaultValues: { airC: '', rhPercent: '' },
  });
  const send = useMutation({
    mutationFn: (body: Air) =>
      request('POST', '/air', airAnswerSchema, { at: new Date(clock.now()).toISOString(), ...body }),
    onSuccess: (answer) => {
      client.setQueryData(['air'], answer);
      void client.invalidateQueries({ queryKey: ['day'] });
      router.push('/clock');
    },
  });
  const keep = () => void handleSubmit((air) => send.mutate(air), showFirstFault)();
  return (
    <Screen
      title="The air"
      about="As it is where the pieces dry, now and on the days to come. Where nobody says it, the air a job was planned for is counted."
      action={
        <Action
          rank="main"
          label="Count with the air as it is now"
          busy={send.isPending}
          onPress={keep}
          testID="keep-air"
        />
      }
    >
      {send.error ? <Notice level="stop" text={send.error.message} /> : null}
      <Panel>
        <Heading>Now</Heading>
        <View style={styles.row}>
          <Field control={control} name="airC" label="Air" unit={`°${unit}`} testID="air-now" />
          <Field control={control} name="rhPercent" label="Humidity" unit="%" keys="numeric" testID="rh-now" />
        </View>
      </Panel>
      {may('plan') ? <ForecastForm /> : null}
    </Screen>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
