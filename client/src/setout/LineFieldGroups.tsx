import { type PartPlan, showLength, type TrimLine } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { IconButton, Switch } from 'react-native-paper';
import { Typed } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { without } from '@/forms/tree';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Body, Small } from '@/ui/Typography';
import type { LineFields } from './lineForm';
import { KIND_FORMS, placeName, placesNeeded } from './lineKinds';

/** Measured points of a line. */
export function Places({
  fields,
  unit,
  faults,
  onChange,
}: {
  fields: LineFields;
  unit: string;
  faults: Readonly<Record<string, string>>;
  onChange: (points: LineFields['points']) => void;
}) {
  const { text } = useWords();
  const { kind, points } = fields;
  const { least, most } = placesNeeded(kind);
  const [first, second] = KIND_FORMS[kind].placeWords;
  const put = (index: number, axis: 'along' | 'above', text: string) =>
    onChange(points.map((point, pointIndex) => (pointIndex === index ? { ...point, [axis]: text } : point)));
  return (
    <>
      {points.map((point, index) => (
        <FieldRow key={index}>
          <Typed
            label={phrase`${placeName(kind, index, points.length)}: ${first}`}
            unit={unit}
            value={point.along}
            onChange={(text) => put(index, 'along', text)}
            fault={faults[`points.${index}.along`]}
            testID={`points.${index}.along`}
          />
          <Typed
            label={second}
            unit={unit}
            value={point.above}
            onChange={(text) => put(index, 'above', text)}
            fault={faults[`points.${index}.above`]}
            testID={`points.${index}.above`}
          />
          {points.length > least ? (
            <IconButton
              icon="close"
              accessibilityLabel={text(phrase`Take out ${placeName(kind, index, points.length)}`)}
              onPress={() => onChange([...without(points, index)])}
              style={styles.remove}
            />
          ) : null}
        </FieldRow>
      ))}
      {points.length < most ? (
        <Action label="Another point" icon="plus" onPress={() => onChange([...points, { along: '', above: '' }])} />
      ) : null}
    </>
  );
}

/** Where a line starts and ends. */
export function Ends({
  fields,
  lines,
  onChange,
}: {
  fields: LineFields;
  lines: readonly TrimLine[];
  onChange: (changed: Partial<LineFields>) => void;
}) {
  const { text } = useWords();
  const options = [
    { value: '', label: fields.runOn ? 'the edge of the part' : 'where it was measured' },
    ...lines.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <>
      <View style={styles.switch}>
        <Switch
          value={fields.runOn}
          onValueChange={(runOn) => onChange({ runOn })}
          accessibilityLabel={text('Ends run on to the edge of the part')}
        />
        <Body>Ends run on to the edge of the part</Body>
      </View>
      {lines.length > 0 ? (
        <FieldRow>
          <View style={styles.half}>
            <Pick
              label="Starts at"
              value={fields.startOn}
              options={options}
              onChange={(startOn) => onChange({ startOn })}
            />
          </View>
          <View style={styles.half}>
            <Pick label="Ends at" value={fields.endOn} options={options} onChange={(endOn) => onChange({ endOn })} />
          </View>
        </FieldRow>
      ) : null}
    </>
  );
}

/** What the line would be, or why it cannot be. */
export function Preview({ own, unit, typed }: { own: PartPlan['lines']; unit: 'mm' | 'in'; typed: boolean }) {
  const words = useWords();
  if (!typed || own.length === 0) return null;
  const fault = own.find((stroke) => stroke.fault)?.fault;
  if (fault) return <Notice level="stop" text={phrase`This line ${words.say(fault)}.`} />;
  const length = own.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  const tightest = own.flatMap(({ tightest: bend }) => (bend ? [bend.radiusMm] : [])).sort((a, b) => a - b)[0];
  const strokes = own.length > 1 ? phrase` in ${own.length} strokes` : '';
  return (
    <Small>{phrase`${showLength(length, unit)} long${strokes}${tightest ? phrase`, tightest bend radius ${showLength(tightest, unit)}` : ''}`}</Small>
  );
}

const styles = StyleSheet.create({
  half: { flexGrow: 1, flexBasis: 150 },
  remove: { width: measure.target, height: measure.target, margin: 0 },
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
