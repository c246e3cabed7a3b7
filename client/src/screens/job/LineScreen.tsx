import { followersOf, type Part } from '@lintrel/core';
import { LINE_NAMES, phrase } from '@lintrel/words';
import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { Typed } from '@/forms/Field';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { useFaultWords } from '@/person/PersonContext';
import { Ends, Places, Preview } from '@/setout/LineFieldGroups';
import { fittedPoints, type LineFields } from '@/setout/lineForm';
import { KIND_FORMS, KINDS_OFFERED } from '@/setout/lineKinds';
import { LineValues } from '@/setout/LineValues';
import { useLineForm } from '@/setout/useLineForm';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Small } from '@/ui/Typography';

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
  const { design, unit } = useJob();
  const faultWords = useFaultWords();
  const { part, line, ownId, fields, set, faults, read, kept, drawn, lines, ring, submit, remove } = useLineForm(
    partId,
    lineId,
  );
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
        <KindAndName part={part} isNew={!line} fields={fields} fault={faults.name} onChange={set} />
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
        {KIND_FORMS[fields.kind].ends ? (
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

interface KindAndNameProps {
  readonly part: Part;
  readonly isNew: boolean;
  readonly fields: LineFields;
  readonly fault: string | undefined;
  readonly onChange: (changed: Partial<LineFields>) => void;
}

/** What kind of line it is, its name, and the datum it is measured from. */
function KindAndName({ part, isNew, fields, fault, onChange }: KindAndNameProps) {
  const form = KIND_FORMS[fields.kind];
  return (
    <>
      {isNew ? (
        <Pick
          label="Kind of line"
          value={fields.kind}
          options={KINDS_OFFERED.map((value) => ({ value, label: LINE_NAMES[value] }))}
          onChange={(kind) => onChange({ kind, points: fittedPoints(fields.points, kind) })}
        />
      ) : (
        <Body>{LINE_NAMES[fields.kind]}</Body>
      )}
      <Small>{form.about}</Small>
      <Typed
        whole
        label="Name of the line"
        value={fields.name}
        onChange={(name) => onChange({ name })}
        fault={fault}
        testID="name"
      />
      {form.datum ? (
        <Pick
          label={fields.kind === 'mirror' ? 'About' : 'Measured from'}
          value={fields.datum}
          options={part.datums.map((datum) => ({ value: datum.id, label: datum.name }))}
          onChange={(datum) => onChange({ datum })}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({ blank: { flex: 1 } });
