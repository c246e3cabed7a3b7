import { type Card, cardSchema, checkAgainst, type Fault, faultText, numberOrNaN } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ColourInput } from '@/forms/ColourInput';
import { Typed } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Small } from '@/ui/Typography';
import { PhotoColour } from './PhotoColour';

/** A card as typed. */
export interface CardFields {
  readonly kind: Card['kind'];
  readonly name: string;
  readonly ground: string;
  readonly steps: readonly { readonly coats: string; readonly colour: string }[];
  readonly airC: string;
  readonly rhPercent: string;
  readonly gun: string;
  readonly note: string;
}

export const NEW_CARD: CardFields = {
  kind: 'hiding',
  name: '',
  ground: '#1c1f24',
  steps: [{ coats: '1', colour: '#888888' }],
  airC: '',
  rhPercent: '',
  gun: '',
  note: '',
};
export const CARD_KINDS: Readonly<Record<Card['kind'], string>> = {
  hiding: 'Hides it?',
  'let-down': 'Deepens step by step',
};

/** Reads the form as a card; faults by their path. */
function readCard(fields: CardFields) {
  const numberOrNone = (text: string) => (text.trim() === '' ? null : numberOrNaN(text));
  return checkAgainst(cardSchema, {
    ...fields,
    id: 'card',
    steps: fields.steps.map(({ coats, colour }) => ({ coats: numberOrNaN(coats), colour })),
    airC: numberOrNone(fields.airC),
    rhPercent: numberOrNone(fields.rhPercent),
  });
}

/** A card being typed. */
export function CardForm({
  fields,
  onFields,
  onDone,
}: {
  fields: CardFields;
  onFields: (fields: CardFields | null) => void;
  onDone: (card: Card) => void;
}) {
  const [step, setStep] = useState(0);
  const [tried, setTried] = useState(false);
  const set = (update: Partial<CardFields>) => onFields({ ...fields, ...update });
  const setStepAt = (index: number, update: Partial<CardFields['steps'][number]>) =>
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
          { value: 'hiding', label: CARD_KINDS.hiding },
          { value: 'let-down', label: CARD_KINDS['let-down'] },
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
      <FieldRow>
        <Typed
          label="Ground it was sprayed on"
          value={fields.ground}
          onChange={(ground) => set({ ground })}
          fault={fault('ground')}
        />
        <ColourInput label="Pick: ground of the card" value={fields.ground} onChange={(ground) => set({ ground })} />
      </FieldRow>
      <PhotoColour label="Take or choose a photo of the card" onPick={(colour) => setStepAt(step, { colour })} />
      {fields.steps.map((typed, index) => (
        <StepFields
          key={index}
          index={index}
          step={typed}
          chosen={index === step}
          fault={fault}
          onChange={(update) => setStepAt(index, update)}
          onChoose={() => setStep(index)}
        />
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
      <Conditions fields={fields} fault={fault} onChange={set} />
      <Typed whole label="Note" value={fields.note} onChange={(note) => set({ note })} />
      <FieldRow>
        <Action label="Put the card on the finish" onPress={add} testID="keep-card" />
        <Action rank="quiet" label="Drop it" onPress={() => onFields(null)} />
      </FieldRow>
    </View>
  );
}

interface ConditionsProps {
  readonly fields: CardFields;
  readonly fault: (path: string) => string | undefined;
  readonly onChange: (update: Partial<CardFields>) => void;
}

/** Air and gun a card was sprayed with. */
function Conditions({ fields, fault, onChange }: ConditionsProps) {
  return (
    <FieldRow>
      <Typed
        label="Air"
        unit="°C"
        value={fields.airC}
        onChange={(airC) => onChange({ airC })}
        fault={fault('airC')}
        keys="numeric"
      />
      <Typed
        label="Humidity"
        unit="%"
        value={fields.rhPercent}
        onChange={(rhPercent) => onChange({ rhPercent })}
        fault={fault('rhPercent')}
        keys="numeric"
      />
      <Typed label="Gun and pressure" value={fields.gun} onChange={(gun) => onChange({ gun })} />
    </FieldRow>
  );
}

interface StepFieldsProps {
  readonly index: number;
  readonly step: CardFields['steps'][number];
  /** The photo sets this one. */
  readonly chosen: boolean;
  readonly fault: (path: string) => string | undefined;
  readonly onChange: (update: Partial<CardFields['steps'][number]>) => void;
  readonly onChoose: () => void;
}

/** One step of a card: how many coats, and the colour they gave. */
function StepFields({ index, step: { coats, colour }, chosen, fault, onChange, onChoose }: StepFieldsProps) {
  return (
    <FieldRow>
      <Typed
        label="Coats"
        value={coats}
        onChange={(text) => onChange({ coats: text })}
        fault={fault(`steps[${index}].coats`)}
        keys="numeric"
        testID={`card-coats-${index}`}
      />
      <Typed
        label="Colour"
        value={colour}
        onChange={(text) => onChange({ colour: text })}
        fault={fault(`steps[${index}].colour`)}
        testID={`card-colour-${index}`}
      />
      <ColourInput
        label={phrase`Pick: colour after ${coats} coats`}
        value={colour}
        onChange={(hex) => onChange({ colour: hex })}
      />
      {chosen ? (
        <Small tone="calm">A tap on the photo sets this one</Small>
      ) : (
        <Action rank="quiet" label="Set by the photo" onPress={onChoose} />
      )}
    </FieldRow>
  );
}

function faultAt(faults: readonly Fault[], path: string): string | undefined {
  const fault = faults.find((other) => other.path === path);
  return fault && faultText(fault);
}

const styles = StyleSheet.create({
  card: { gap: space.small },
});
