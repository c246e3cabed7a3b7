import {
  type Aim,
  AIMS,
  messageWithoutValues,
  type Plan,
  RULE_OF_THUMB,
  type SequenceSummary,
  showMinutes,
  withChoices,
  withOrder,
} from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Swatch } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { Aims } from './Aims';
import { AIM_WORDS } from './aimWords';
import { LongSearch } from './LongSearch';
import { Price } from './Pins';

/** The orders found, side by side, by what is wanted most. */
export function Orders({ plan }: { plan: Plan }) {
  const { change, design } = useJob();
  const planned = plan.orders.find(({ chosen }) => chosen)?.lostM2 ?? 0;
  // An order that sprays wider than the planned one is taken as shown.
  const choose = (order: readonly string[], lostM2: number) =>
    void change((now) => withOrder(now, order, lostM2 > planned), messageWithoutValues('edit.order'));
  const wish = (value: Aim) =>
    void change((now) => withChoices(now, { wish: value }), messageWithoutValues('edit.wish'));
  // Primer and clear have a fixed place.
  const stagesOf = (order: readonly string[]) =>
    order.filter((id) => plan.stages.some(({ finish, layer }) => finish === id && layer === 'finish'));
  return (
    <Panel>
      <Heading>Orders of coats</Heading>
      <Choice
        label="Wanted most"
        value={plan.wish}
        options={AIMS.map((value) => ({ value, label: AIM_WORDS[value] }))}
        onChange={wish}
      />
      <Aims onWish={wish} />
      <Proof
        gap={plan.orderGap}
        equals={plan.orders.filter(({ equal }) => equal).length}
        percent={design.choices.equalPercent ?? 100 * RULE_OF_THUMB.equalShare}
      />
      {plan.orderGap > 0 ? <LongSearch design={design} /> : null}
      <ScrollView horizontal contentContainerStyle={styles.strip}>
        {plan.orders.map((sequence, index) => (
          <Order
            key={`${index} ${sequence.order.join()}`}
            sequence={sequence}
            best={index === 0 && plan.orders.length > 1}
            onChoose={() => choose(stagesOf(sequence.order), sequence.lostM2)}
          />
        ))}
      </ScrollView>
      <Price price={plan.choicePrice} />
    </Panel>
  );
}

/** How sure it is that nothing better exists, and what is planned of those that come to the same. */
const Proof = ({ gap, equals, percent }: { gap: number; equals: number; percent: number }) => (
  <Small>
    {phrase`${
      gap === 0
        ? phrase`It is proven: no order is better by more than ${percent} %.`
        : phrase`The best found; none can be more than ${Math.max(1, Math.ceil(100 * gap))} % better.`
    } ${equals > 1 ? phrase`Of those that come to the same within ${percent} % the calmest is planned: no paint where it will not stay, light before dark, few stages.` : ''}`}
  </Small>
);

function Order({ sequence, best, onChoose }: { sequence: SequenceSummary; best: boolean; onChoose: () => void }) {
  const { shelf } = useJob();
  const { say, metres, area, volume } = useWords();
  return (
    <View style={[styles.order, sequence.chosen && styles.chosen]} testID="order">
      {sequence.order.map((id, index) => {
        const finish = shelf.finishes.find((other) => other.id === id);
        return (
          <View key={`${index} ${id}`} style={styles.row}>
            <Swatch colour={finish?.colour ?? colour.sheet} />
            <Body style={styles.shrink}>{phrase`${index + 1}. ${finish?.name ?? id}`}</Body>
          </View>
        );
      })}
      <Small tone="ink">{phrases(sequence.reasons.map(say), ' ')}</Small>
      <View style={styles.figures}>
        <Figure label="Work (estimate)" value={showMinutes(sequence.workMin)} />
        <Figure label="Done after (estimate)" value={showMinutes(sequence.endMin)} />
        <Figure label="Tape edges" value={metres(1000 * sequence.tapeM)} />
        <Figure label="Cover" value={area(sequence.drapeM2)} />
        <Figure label="Coats" value={String(sequence.coats)} />
        <Figure label="Paint (estimate)" value={volume(sequence.paintMl)} />
        <Figure label="Stages" value={String(sequence.stages)} />
        <Figure label="Show edge, by how hard" value={metres(1000 * sequence.riskM)} />
      </View>
      {sequence.lostM2 > 0 ? (
        <Small tone="caution">{phrase`Sprayed where it will not stay: ${area(sequence.lostM2)}`}</Small>
      ) : null}
      {sequence.equal && !sequence.chosen ? <Small>Comes to the same within a tenth.</Small> : null}
      {sequence.kept > 0 ? (
        <Small>{phrase`Masks stay on after ${sequence.kept === 1 ? '1 stage' : phrase`${sequence.kept} stages`}.`}</Small>
      ) : null}
      {sequence.chosen ? (
        <Small tone="calm">{best ? 'This order is planned: the calmest of equals' : 'This order is planned'}</Small>
      ) : (
        <Action label="Take this order" onPress={onChoose} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { gap: space.small },
  chosen: { borderColor: colour.calm, borderWidth: 2 },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
  order: {
    width: measure.option,
    padding: space.middle,
    gap: space.small,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
  },
  shrink: { flexShrink: 1 },
});
