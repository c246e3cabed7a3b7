import { customerSchema, type CustomerView, MS_PER_MINUTE } from '@lintrel/core';
import { countPhrase, phrase } from '@lintrel/words';
import { useQuery } from '@tanstack/react-query';
import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import Svg, { G, Path } from 'react-native-svg';
import { request } from '@/api/http';
import { areaPath, boxRound, ringPath } from '@/drawing/path';
import { fitBoxStill, transformOf } from '@/drawing/view';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

const PICTURE = { width: 320, height: 180 } as const;
const STATES: Readonly<Record<CustomerView['state'], string>> = {
  planning: 'It is being planned.',
  'in-shop': 'It is in the shop.',
  finished: 'It is finished.',
};

/** What a customer sees of their job. */
export function CustomerScreen() {
  const { token } = useLocalSearchParams<{ token: string }>();
  const look = useQuery({
    queryKey: ['link', token],
    queryFn: () => request('GET', `/link/${encodeURIComponent(token)}`, customerSchema),
    refetchInterval: MS_PER_MINUTE,
  });
  if (!look.data)
    return (
      <Waiting
        what="your job"
        error={look.error}
        retry={<Action label="Try again" onPress={() => void look.refetch()} />}
      />
    );
  const { title, state, parts, stages } = look.data;
  return (
    <Screen title={title} about={STATES[state]}>
      {parts.map((part) => (
        <Panel key={part.name}>
          <Heading>{part.name}</Heading>
          <PartLook part={part} />
        </Panel>
      ))}
      <Panel>
        <Heading>Stages</Heading>
        {stages.map(({ number, finish, colour: paint, coats, done }) => (
          <View key={number} style={styles.stage} testID="customer-stage">
            <View style={[styles.swatch, { backgroundColor: paint }]} />
            <View style={styles.grow}>
              <Body>{phrase`${number}. ${finish}`}</Body>
              <Small>{phrase`${countPhrase(coats, 'coat')}${done ? ', done' : ''}`}</Small>
            </View>
          </View>
        ))}
      </Panel>
    </Screen>
  );
}

function PartLook({ part }: { part: CustomerView['parts'][number] }) {
  const view = fitBoxStill(boxRound(part.ring), PICTURE);
  return (
    <Svg width={PICTURE.width} height={PICTURE.height} aria-hidden>
      <G transform={transformOf(view, PICTURE.height)}>
        {part.areas.map(({ rings, colour: paint }, index) => (
          <Path key={index} d={areaPath({ rings })} fill={paint ?? colour.sheet} fillRule="evenodd" />
        ))}
        <Path d={ringPath(part.ring)} fill="none" stroke={colour.ink} strokeWidth={1.5 * view.mmPerDp} />
      </G>
    </Svg>
  );
}

const styles = StyleSheet.create({
  stage: { flexDirection: 'row', alignItems: 'center', gap: space.middle },
  swatch: {
    width: measure.target,
    height: measure.target,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
  },
  grow: { flex: 1 },
});
