import { outlineRing, type Design, type LineKind } from '@lintrel/core';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { IconButton, Switch } from 'react-native-paper';
import * as v from 'valibot';
import { PartDrawing } from '@/drawing/PartDrawing';
import { Field } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { resolverOf } from '@/forms/resolver';
import { freeId } from '@/job/ids';
import { useJob, usePlan } from '@/job/JobContext';
import { fittedPoints, lineFields, lineFormSchema, lineFrom, pointsNeeded, type LineFields, type LineValues } from '@/job/lineForm';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Sheet } from '@/ui/Screen';
import { Body, Small } from '@/ui/Words';

const KINDS: readonly { value: LineKind; label: string }[] = [
  { value: 'straight', label: 'Straight' },
  { value: 'arc', label: 'Arc' },
  { value: 'sweep', label: 'Sweep' },
  { value: 'parallel', label: 'Parallel' },
];
const POINT_NAMES: Readonly<Record<LineKind, (index: number) => string>> = {
  straight: (index) => ['From', 'To'][index],
  arc: (index) => ['From', 'Through', 'To'][index],
  sweep: (index) => `Point ${index + 1}`,
  parallel: () => '',
};

/** One trim line, entered by measurement, drawn as it is typed. */
export default function LineScreen() {
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
  const { id, design, shelf, change } = useJob();
  const part = design.parts.find((one) => one.id === partId) as Design['parts'][number];
  const line = part.lines.find((one) => one.id === lineId) ?? null;
  const ownId =
    line?.id ??
    freeId(
      'line',
      part.lines.map((one) => one.id),
    );
  const schema = lineFormSchema({ bare: design.unit, scale: design.scale });
  const { control, handleSubmit, watch, setValue, setError, formState } = useForm<LineFields, unknown, LineValues>({
    resolver: resolverOf<LineFields, LineValues>(schema),
    defaultValues: lineFields(line, part, design.unit, `Line ${part.lines.length + 1}`),
  });
  const points = useFieldArray({ control, name: 'points' });
  const fields = watch();
  const draft = useDraft(withLine(design, partId, ownId, v.safeParse(schema, fields)), design);
  const { plan } = usePlan(draft, shelf);
  const drawn = plan?.parts.find((one) => one.id === partId);
  const ring = outlineRing(part.surface.outline).map(({ x, y }): [number, number] => [x, y]);
  const preview = drawn?.lines.find((one) => one.id === ownId);
  const leave = () => router.replace(`/job/${id}/lines` as Href);
  const submit = handleSubmit(async (values) => {
    if (preview?.fault) return setError(values.kind === 'parallel' ? 'distance' : 'points.0.along', { message: preview.fault });
    const made = lineFrom(values, ownId);
    await change((now) => replaceLines(now, partId, (lines) => (line ? lines.map((one) => (one.id === ownId ? made : one)) : [...lines, made])));
    leave();
  });
  const remove = async () => {
    await change(
      (now) => replaceLines(now, partId, (lines) => lines.filter((one) => one.id !== ownId && !(one.kind === 'parallel' && one.of === ownId))),
      `${line?.name} taken out`,
    );
    leave();
  };
  const chooseKind = (kind: LineKind) => {
    setValue('points', fittedPoints(fields.points, kind));
    setValue('kind', kind);
  };
  const followers = part.lines.filter((one) => one.kind === 'parallel' && one.of === ownId);
  return (
    <StepLayout
      part={{ ring }}
      // Always something there: were the drawing added later, the fields would be made anew under the hands that type.
      drawing={drawn ? <PartDrawing part={drawn} areas={drawn.areas} codes="lines" chosenLine={ownId} /> : <View style={styles.blank} />}
      action={<Action rank="main" label={line ? 'Keep this line' : 'Add this line'} onPress={() => void submit()} testID="submit" />}
    >
      <Sheet>
        <Choice
          label="Kind of line"
          value={fields.kind}
          options={KINDS.filter(({ value }) => value !== 'parallel' || part.lines.some((one) => one.id !== ownId))}
          onChange={chooseKind}
        />
        <Field whole control={control} name="name" label="Name of the line" />
        {fields.kind === 'parallel' ? (
          <>
            <Pick
              label="Follows"
              value={fields.of}
              options={part.lines.filter((one) => one.id !== ownId).map((one) => ({ value: one.id, label: one.name }))}
              onChange={(of) => setValue('of', of)}
              fault={formState.errors.of?.message}
            />
            <View style={styles.row}>
              <Field control={control} name="distance" label="At a distance of" unit={design.unit} />
              <Choice
                label="On its"
                value={fields.side}
                options={[
                  { value: 'left', label: 'upper or left side' },
                  { value: 'right', label: 'lower or right side' },
                ]}
                onChange={(side) => setValue('side', side)}
              />
            </View>
          </>
        ) : (
          <>
            <Pick
              label="Measured from"
              value={fields.datum}
              options={part.datums.map((one) => ({ value: one.id, label: one.name }))}
              onChange={(datum) => setValue('datum', datum)}
            />
            {points.fields.map((field, index) => (
              <View key={field.id} style={styles.row}>
                <Field control={control} name={`points.${index}.along`} label={`${POINT_NAMES[fields.kind](index)}: along`} unit={design.unit} />
                <Field control={control} name={`points.${index}.above`} label="above" unit={design.unit} />
                {fields.kind === 'sweep' && points.fields.length > pointsNeeded('sweep').least ? (
                  <IconButton icon="close" accessibilityLabel={`Take out point ${index + 1}`} onPress={() => points.remove(index)} style={styles.remove} />
                ) : null}
              </View>
            ))}
            {fields.kind === 'sweep' ? (
              <Action label="Another point" icon="plus" onPress={() => points.append({ along: '', above: '' }, { shouldFocus: false })} />
            ) : null}
          </>
        )}
        <View style={styles.switch}>
          <Switch value={fields.runOn} onValueChange={(runOn) => setValue('runOn', runOn)} accessibilityLabel="Ends run on to the edge of the part" />
          <Body>Ends run on to the edge of the part</Body>
        </View>
        {preview?.fault ? <Notice level="stop" text={`This line ${preview.fault}.`} /> : null}
        {preview && !preview.fault ? (
          <Small>{`${preview.lengthMm.toFixed(0)} mm long${preview.tightest ? `, tightest bend radius ${preview.tightest.radiusMm.toFixed(0)} mm` : ''}`}</Small>
        ) : null}
      </Sheet>
      {line ? (
        <Action
          rank="quiet"
          icon="delete-outline"
          label={followers.length > 0 ? `Take out this line and ${followers.length} parallel to it` : 'Take this line out'}
          onPress={() => void remove()}
        />
      ) : null}
    </StepLayout>
  );
}

const replaceLines = (design: Design, partId: string, update: (lines: Design['parts'][number]['lines']) => Design['parts'][number]['lines']): Design => ({
  ...design,
  parts: design.parts.map((part) => (part.id === partId ? { ...part, lines: update(part.lines) } : part)),
});

/** The design with the line as typed so far; null while what is typed is no line yet. */
function withLine(design: Design, partId: string, ownId: string, typed: { success: boolean; output: unknown }): Design | null {
  if (!typed.success) return null;
  const made = lineFrom(typed.output as LineValues, ownId);
  return replaceLines(design, partId, (lines) =>
    lines.some(({ id }) => id === ownId) ? lines.map((one) => (one.id === ownId ? made : one)) : [...lines, made],
  );
}

/** The same draft until it really differs, so that the worker is asked once per change. */
function useDraft(draft: Design | null, fallback: Design): Design {
  const text = JSON.stringify(draft ?? fallback);
  const [kept, setKept] = useState(() => draft ?? fallback);
  useEffect(() => setKept(JSON.parse(text) as Design), [text]);
  return kept;
}

const styles = StyleSheet.create({
  blank: { flex: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' },
  remove: { width: measure.target, height: measure.target, margin: 0 },
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
