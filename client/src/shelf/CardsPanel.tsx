import {
  type Card,
  cardSchema,
  checkAgainst,
  type Fault,
  hidingFactorFromCards,
  faultText,
  numberOrNaN,
} from '@lintrel/core';
import { phrase, phrases, countPhrase, type Words } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { ColourInput } from '@/forms/ColourInput';
import { Typed } from '@/forms/Field';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Swatch } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { times } from '@/words';
import { PhotoColour } from './PhotoColour';

interface Fields {
  readonly kind: Card['kind'];
  readonly name: string;
  readonly ground: string;
  readonly steps: readonly { readonly coats: string; readonly colour: string }[];
  readonly airC: string;
  readonly rhPercent: string;
  readonly gun: string;
  readonly note: string;
}

const EMPTY: Fields = {
  kind: 'hiding',
  name: '',
  ground: '#1c1f24',
  steps: [{ coats: '1', colour: '#888888' }],
  airC: '',
  rhPercent: '',
  gun: '',
  note: '',
};
const KIND_WORDS: Readonly<Record<Card['kind'], string>> = { hiding: 'Hides it?', 'let-down': 'Deepens step by step' };

interface CardsPanelProps {
  readonly cards: readonly Card[];
  /** The paint as typed: hiding is learned from the cards with it. */
  readonly paint: { readonly colour: string; readonly hidingUm: string; readonly coatUm: string };
  readonly onChange: (cards: readonly Card[]) => void;
}

/** Test cards made with a finish: what they measured goes before the formula. */
export function CardsPanel({ cards, paint, onChange }: CardsPanelProps) {
  const words = useWords();
  const [fields, setFields] = useState<Fields | null>(null);
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
          <Body>{phrase`${card.name}: ${KIND_WORDS[card.kind].toLowerCase()}`}</Body>
          <View style={styles.row}>
            <Swatch colour={card.ground} />
            {card.steps.map(({ coats, colour }) => (
              <View key={coats} style={styles.step}>
                <Swatch colour={colour} />
                <Small>{String(coats)}</Small>
              </View>
            ))}
          </View>
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
        <Action label="Add a card" onPress={() => setFields(EMPTY)} testID="add-card" />
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

/** Reads the form as a card; faults by their path. */
function readCard(fields: Fields) {
  const numberOrNone = (text: string) => (text.trim() === '' ? null : numberOrNaN(text));
  return checkAgainst(cardSchema, {
    ...fields,
    id: 'card',
    steps: fields.steps.map(({ coats, colour }) => ({ coats: numberOrNaN(coats), colour })),
    airC: numberOrNone(fields.airC),
    rhPercent: numberOrNone(fields.rhPercent),
  });
}

function CardForm({
  fields,
  onFields,
  onDone,
}: {
  fields: Fields;
  onFields: (fields: Fields | null) => void;
  onDone: (card: Card) => void;
}) {
  const [step, setStep] = useState(0);
  const [tried, setTried] = useState(false);
  const set = (update: Partial<Fields>) => onFields({ ...fields, ...update });
  const setStepAt = (index: number, update: Partial<Fields['steps'][number]>) =>
    set({ steps: fields.steps.map((other, stepIndex) => (stepIndex === index ? { ...other, ...update } : other)) });
  const read = readCard(fields);
  const fault = (path: string) => (tried && !read.ok ? faultAt(read.faults, path) : undefined);
  const add = () => {
    setTried(true);
    if (read.ok) onDone(read.value);
  };
  return (
    <View style={styles.card}>
      <Choice
        label="The card shows"
        value={fields.kind}
        options={[
          { value: 'hiding', label: KIND_WORDS.hiding },
          { value: 'let-down', label: KIND_WORDS['let-down'] },
        ]}
        onChange={(kind) => set({ kind })}
      />
      <Typed
        whole
        label="Name of the card"
        value={fields.name}
        onChange={(name) => set({ name })}
        fault={fault('name')}
        testID="card-name"
      />
      <View style={styles.row}>
        <Typed
          label="Ground it was sprayed on"
          value={fields.ground}
          onChange={(ground) => set({ ground })}
          fault={fault('ground')}
        />
        <ColourInput label="Pick: ground of the card" value={fields.ground} onChange={(ground) => set({ ground })} />
      </View>
      <PhotoColour label="Take or choose a photo of the card" onPick={(colour) => setStepAt(step, { colour })} />
      {fields.steps.map(({ coats, colour }, index) => (
        <View key={index} style={styles.row}>
          <Typed
            label="Coats"
            value={coats}
            onChange={(text) => setStepAt(index, { coats: text })}
            fault={fault(`steps[${index}].coats`)}
            keys="numeric"
            testID={`card-coats-${index}`}
          />
          <Typed
            label="Colour"
            value={colour}
            onChange={(text) => setStepAt(index, { colour: text })}
            fault={fault(`steps[${index}].colour`)}
            testID={`card-colour-${index}`}
          />
          <ColourInput
            label={phrase`Pick: colour after ${coats} coats`}
            value={colour}
            onChange={(hex) => setStepAt(index, { colour: hex })}
          />
          {index === step ? (
            <Small tone="calm">A tap on the photo sets this one</Small>
          ) : (
            <Action rank="quiet" label="Set by the photo" onPress={() => setStep(index)} />
          )}
        </View>
      ))}
      <Action
        rank="quiet"
        label="Another step"
        onPress={() => {
          set({ steps: [...fields.steps, { coats: String(fields.steps.length + 1), colour: '#888888' }] });
          setStep(fields.steps.length);
        }}
        testID="add-step"
      />
      <View style={styles.row}>
        <Typed
          label="Air"
          unit="°C"
          value={fields.airC}
          onChange={(airC) => set({ airC })}
          fault={fault('airC')}
          keys="numeric"
        />
        <Typed
          label="Humidity"
          unit="%"
          value={fields.rhPercent}
          onChange={(rhPercent) => set({ rhPercent })}
          fault={fault('rhPercent')}
          keys="numeric"
        />
        <Typed label="Gun and pressure" value={fields.gun} onChange={(gun) => set({ gun })} />
      </View>
      <Typed whole label="Note" value={fields.note} onChange={(note) => set({ note })} />
      <View style={styles.row}>
        <Action label="Put the card on the finish" onPress={add} testID="keep-card" />
        <Action rank="quiet" label="Drop it" onPress={() => onFields(null)} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { gap: space.small },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-start', gap: space.small },
  step: { alignItems: 'center', gap: space.hair },
});

function faultAt(faults: readonly Fault[], path: string): string | undefined {
  const fault = faults.find((other) => other.path === path);
  return fault && faultText(fault);
}
