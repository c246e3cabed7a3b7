import { showMinutes, WISHES, type Plan, type SequenceSummary, type Wish } from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Swatch } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Words';
import { LongSearch } from './LongSearch';
import { Price } from './Pins';
import { Wishes } from './Wishes';
import { WISH_WORDS } from './wishWords';
import { useWords } from '@/person/PersonContext';

/** The orders found, side by side, by what is wanted most. */
export function Orders({ plan }: { plan: Plan }) {
  const { change, design } = useJob();
  const choose = (order: readonly string[]) => void change((now) => ({ ...now, choices: { ...now.choices, order: [...order] } }), 'Chose an order');
  const wish = (value: Wish) => void change((now) => ({ ...now, choices: { ...now.choices, wish: value } }), 'Changed what is wanted most');
  // Primer and clear have their place whatever the order.
  const own = (order: readonly string[]) => order.filter((id) => plan.stages.some(({ finish, layer }) => finish === id && layer === 'finish'));
  return (
    <Sheet>
      <Heading>Orders of coats</Heading>
      <Choice label="Wanted most" value={plan.wish} options={WISHES.map((value) => ({ value, label: WISH_WORDS[value] }))} onChange={wish} />
      <Wishes onWish={wish} />
      <Proof gap={plan.orderGap} />
      {plan.orderGap > 0 ? <LongSearch design={design} /> : null}
      <ScrollView horizontal contentContainerStyle={styles.strip}>
        {plan.orders.map((sequence, index) => (
          <Order
            key={`${index} ${sequence.order.join()}`}
            sequence={sequence}
            best={index === 0 && plan.orders.length > 1}
            onChoose={() => choose(own(sequence.order))}
          />
        ))}
      </ScrollView>
      <Price price={plan.choicePrice} />
    </Sheet>
  );
}

/** How sure it is that nothing better exists. */
const Proof = ({ gap }: { gap: number }) => (
  <Small>
    {gap === 0 ? 'The first is proven: no order is better.' : phrase`The best found; none can be more than ${Math.max(1, Math.ceil(100 * gap))} % better.`}
  </Small>
);

function Order({ sequence, best, onChoose }: { sequence: SequenceSummary; best: boolean; onChoose: () => void }) {
  const { shelf } = useJob();
  const { say, metres, area, volume } = useWords();
  return (
    <View style={[styles.order, sequence.chosen && styles.chosen]} testID="order">
      {sequence.order.map((id, index) => {
        const finish = shelf.finishes.find((one) => one.id === id);
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
      {sequence.kept > 0 ? <Small>{phrase`Masks stay on after ${sequence.kept === 1 ? '1 stage' : phrase`${sequence.kept} stages`}.`}</Small> : null}
      {sequence.chosen ? (
        <Small tone="calm">{phrase`This order is planned${best ? ', the best found' : ''}`}</Small>
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
