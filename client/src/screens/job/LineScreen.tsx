import {
  unusedId,
  followersOf,
  withLine,
  withoutLine,
  partFrame,
  type Design,
  type PartPlan,
  showLength,
  faultText,
  type TrimLine,
} from '@lintrel/core';
import { phrase, LINE_NAMES } from '@lintrel/words';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton, Switch } from 'react-native-paper';
import { PartDrawing } from '@/drawing/PartDrawing';
import { Typed } from '@/forms/Field';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptState } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { without } from '@/forms/tree';
import { useJob } from '@/job/JobContext';
import { fittedPoints, lineFields, readLine, type LineFields } from '@/setout/lineForm';
import { KIND_FORMS, KINDS_OFFERED, placeName, placesNeeded } from '@/setout/lineKinds';
import { LineValues } from '@/setout/LineValues';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { useDraftParts } from '@/setout/useDraftParts';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Small } from '@/ui/Typography';
import { useFaultWords, useWords } from '@/person/PersonContext';

/** One trim line, entered by measurement and drawn while typing. */
export function LineScreen() {
  const { part: partId, line: lineId } = useLocalSearchParams<{ part: string; line: string }>();
  const { design } = useJob();
  const part = design.parts.find(({ id }) => id === partId);
  return part ? (
    <LineForm partId={partId} lineId={lineId} key={`${partId}/${lineId}`} />
  ) : (
    <StepLayout>
      <Missing need="part" />
    </StepLayout>
  );
}

function LineForm({ partId, lineId }: { partId: string; lineId: string }) {
  const { id, design, change, parts, unit } = useJob();
  const part = design.parts.find((other) => other.id === partId) as Design['parts'][number];
  const line = part.lines.find((other) => other.id === lineId) ?? null;
  const [ownId] = useState(
    () =>
      line?.id ??
      unusedId(
        'line',
        part.lines.map((other) => other.id),
      ),
  );
  const faultWords = useFaultWords();
  const [fields, setFields, kept] = useKeptState(`line/${id}/${partId}/${lineId}`, () =>
    lineFields(line, part, unit, `Line ${part.lines.length + 1}`),
  );
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const read = readLine(fields, ownId, line, { bare: unit, scale: design.scale });
  const drafted = useDraftParts(read.ok ? withLine(design, partId, read.line) : design) ?? parts;
  const drawn = drafted?.find((other) => other.id === partId) ?? null;
  const lines = drawn?.lines.filter(({ owner }) => owner === ownId) ?? [];
  const leave = () => router.replace(`/job/${id}/lines?part=${partId}` as Href);
  const set = (changed: Partial<LineFields>) => {
    setFields((now) => ({ ...now, ...changed }));
    setFaults({});
  };
  const submit = async () => {
    if (!read.ok) {
      setFaults(read.faults);
      return showFirstFault();
    }
    const fault = lines.find((stroke) => stroke.fault)?.fault;
    if (fault && isMade(read.line)) {
      setFaults({ whole: faultText(fault) });
      return showFirstFault();
    }
    if (
      await change((now) => withLine(now, partId, read.line), {
        code: line ? 'edit.line-changed' : 'edit.line-added',
        values: { name: read.line.name },
      })
    ) {
      kept.forget();
      leave();
    }
  };
  const remove = async () => {
    if (
      await change(
        (now) => withoutLine(now, partId, ownId),
        { code: 'edit.line-gone', values: { name: line?.name ?? '' } },
        true,
      )
    ) {
      kept.forget();
      leave();
    }
  };
  // Known at once, so that nothing moves when the drawing arrives.
  const ring = partFrame(part, design.parts).drawn.ring.map(({ x, y }): [number, number] => [x, y]);
  const form = KIND_FORMS[fields.kind];
  const followers = followersOf(part.lines, ownId);
  return (
    <StepLayout
      part={drawn ?? { ring }}
      // Always rendered: adding the drawing later would recreate the fields while typing.
      drawing={
        drawn ? (
          <PartDrawing part={drawn} areas={drawn.areas} codes="lines" help chosenLine={ownId} />
        ) : (
          <View style={styles.blank} />
        )
      }
      action={
        <Action
          rank="main"
          label={line ? 'Keep this line' : 'Add this line'}
          onPress={() => void submit()}
          testID="submit"
        />
      }
    >
      <KeptNote kept={kept} />
      <Panel>
        {line ? (
          <Body>{LINE_NAMES[fields.kind]}</Body>
        ) : (
          <Pick
            label="Kind of line"
            value={fields.kind}
            options={KINDS_OFFERED.map((value) => ({ value, label: LINE_NAMES[value] }))}
            onChange={(kind) => set({ kind, points: fittedPoints(fields.points, kind) })}
          />
        )}
        <Small>{form.about}</Small>
        <Typed
          whole
          label="Name of the line"
          value={fields.name}
          onChange={(name) => set({ name })}
          fault={faults.name}
          testID="name"
        />
        {form.datum ? (
          <Pick
            label={fields.kind === 'mirror' ? 'About' : 'Measured from'}
            value={fields.datum}
            options={part.datums.map((datum) => ({ value: datum.id, label: datum.name }))}
            onChange={(datum) => set({ datum })}
          />
        ) : null}
        <Places fields={fields} unit={unit} faults={faults} onChange={(points) => set({ points })} />
        <LineValues
          fields={fields}
          faults={faults}
          unit={unit}
          lines={part.lines.filter((other) => other.id !== ownId)}
          edges={drawn?.edges ?? []}
          parts={design.parts.filter((other) => other.id !== partId)}
          onChange={(values) => set({ values })}
        />
        {form.ends ? (
          <Ends fields={fields} lines={part.lines.filter((other) => other.id !== ownId)} onChange={set} />
        ) : null}
        {faults.whole ? (
          <Notice level="stop" text={phrase`This line ${faultWords(faults.whole)}.`} />
        ) : (
          <Preview own={lines} unit={unit} typed={read.ok} />
        )}
      </Panel>
      {line ? (
        <Action
          rank="quiet"
          icon="delete-outline"
          label={
            followers.length > 0
              ? phrase`Take out this line (${followers.length} made from it stay, unset)`
              : 'Take this line out'
          }
          onPress={() => void remove()}
        />
      ) : null}
    </StepLayout>
  );
}

/** A line whose source is missing may be saved: it reports that itself. */
const isMade = ({ kind }: TrimLine): boolean => !['parallel', 'mirror', 'fillet', 'continuation'].includes(kind);

function Places({
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
        <View key={index} style={styles.row}>
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
        </View>
      ))}
      {points.length < most ? (
        <Action label="Another point" icon="plus" onPress={() => onChange([...points, { along: '', above: '' }])} />
      ) : null}
    </>
  );
}

function Ends({
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
        <View style={styles.row}>
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
        </View>
      ) : null}
    </>
  );
}

/** What the line would be, or why it cannot be. */
function Preview({ own, unit, typed }: { own: PartPlan['lines']; unit: 'mm' | 'in'; typed: boolean }) {
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
  blank: { flex: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' },
  half: { flexGrow: 1, flexBasis: 150 },
  remove: { width: measure.target, height: measure.target, margin: 0 },
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
