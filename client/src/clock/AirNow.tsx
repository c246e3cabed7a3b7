import type { AirAnswer } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useIsAllowed } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { clockTime } from '@/words';

/** The air used for the times: from the sensor, or typed in. */
export function AirNow({ air: { readings, expected, sensor }, now }: { air: AirAnswer; now: number }) {
  const { temperature } = useWords();
  const may = useIsAllowed()('run');
  const last = readings[readings.length - 1];
  return (
    <Panel>
      <Heading>The air</Heading>
      <Body>
        {last
          ? phrase`${temperature(last.airC, 1)} and ${Math.round(last.rhPercent)} % at ${clockTime(Date.parse(last.at), now)}`
          : 'Nobody has read it off: times are counted with the air each job was planned for.'}
      </Body>
      {expected.length > 0 ? <Body>What is expected of the days to come is counted with too.</Body> : null}
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
        <Notice
          level="caution"
          text="The sensor says what cannot be: it is wet, or its wire is off. Nothing of that is counted."
        />
      ) : null}
      <Small>Windows that are on move with it: colder air, later.</Small>
      {may ? (
        <Action label="Type the air, now and to come" onPress={() => router.push('/air' as Href)} testID="to-air" />
      ) : null}
    </Panel>
  );
}
