import { type Card, hidingFactorFromCards, numberOrNaN } from '@lintrel/core';
import { countPhrase, phrase, phrases, type Words } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FieldRow } from '@/forms/FieldRow';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Swatch } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { times } from '@/words';
import { CARD_KINDS, type CardFields, CardForm, NEW_CARD } from './CardForm';

interface CardsPanelProps {
  readonly cards: readonly Card[];
  /** The paint as typed: hiding is learned from the cards with it. */
  readonly paint: { readonly colour: string; readonly hidingUm: string; readonly coatUm: string };
  readonly onChange: (cards: readonly Card[]) => void;
}

/** Test cards made with a finish: what they measured goes before the formula. */
export function CardsPanel({ cards, paint, onChange }: CardsPanelProps) {
  const words = useWords();
  const [fields, setFields] = useState<CardFields | null>(null);
  return (
    <Panel>
      <Heading>Cards</Heading>
      <Small>
        Spray a card coat by coat over a known ground and note what you see: it counts before any formula, on grounds
        like its own. On all others what it tells of how the paint hides counts.
      </Small>
      <HidesHere cards={cards} {...paint} />
      {cards.map((card) => (
        <View key={card.id} style={styles.card} testID="card">
          <Body>{phrase`${card.name}: ${CARD_KINDS[card.kind].toLowerCase()}`}</Body>
          <FieldRow>
            <Swatch colour={card.ground} />
            {card.steps.map(({ coats, colour }) => (
              <View key={coats} style={styles.step}>
                <Swatch colour={colour} />
                <Small>{String(coats)}</Small>
              </View>
            ))}
          </FieldRow>
          <Small>{conditions(card, words)}</Small>
          <Action
            rank="quiet"
            label={phrase`Remove ${card.name}`}
            onPress={() => onChange(cards.filter(({ id }) => id !== card.id))}
          />
        </View>
      ))}
      {fields ? (
        <CardForm
          fields={fields}
          onFields={setFields}
          onDone={(card) => {
            onChange([...cards, { ...card, id: freeId(cards) }]);
            setFields(null);
          }}
        />
      ) : (
        <Action label="Add a card" onPress={() => setFields(NEW_CARD)} testID="add-card" />
      )}
    </Panel>
  );
}

/** Learned hiding with its spread; each card can be left out. */
function HidesHere({
  cards,
  colour,
  hidingUm,
  coatUm,
}: CardsPanelProps['paint'] & { readonly cards: readonly Card[] }) {
  const [film, coat] = [numberOrNaN(hidingUm), numberOrNaN(coatUm)];
  if (cards.length === 0 || !/^#[0-9a-f]{6}$/i.test(colour) || !(film > 0) || !(coat > 0)) return null;
  const { factor, low, high, count } = hidingFactorFromCards({ colour, hidingUm: film, coatUm: coat, cards });
  return (
    <View testID="hides-here">
      <Body>{phrase`Hides here with ${times(factor)} times the film of its sheet: ${Math.round(film * factor)} µm (estimate).`}</Body>
      <Small>
        {phrase`From ${countPhrase(count, 'step')} of ${countPhrase(cards.length, 'card')}; two times in three the truth lies between ${times(low)} and ${times(high)}. New plans count with it; a card that is removed counts no more.`}
      </Small>
    </View>
  );
}

const conditions = ({ airC, rhPercent, gun, note }: Card, { temperature }: Words): string =>
  phrases(
    [
      airC === null ? null : temperature(airC),
      rhPercent === null ? null : phrase`${rhPercent} % humidity`,
      gun || null,
      note || null,
    ].filter((action) => action !== null),
  ) || 'No conditions noted';

function freeId(cards: readonly Card[]): string {
  for (let number = 1; ; number++) {
    const id = `card-${number}`;
    if (!cards.some((card) => card.id === id)) return id;
  }
}

const styles = StyleSheet.create({
  card: { gap: space.small },
  step: { alignItems: 'center', gap: space.hair },
});
