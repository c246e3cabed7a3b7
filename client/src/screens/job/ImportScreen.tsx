import {
  type Design,
  type DrawingSummary,
  messageWithoutValues,
  type Part,
  showLength,
  unusedId,
  withLine,
} from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Switch } from 'react-native-paper';
import { readDrawing, takeDrawing } from '@/api/drawings';
import { type LongAsk, RequestError } from '@/api/http';
import { useLongWork } from '@/api/useLongWork';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { StepLayout } from '@/job/StepLayout';
import { openTextFile } from '@/jobs/openFile';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { WorkNote } from '@/ui/WorkNote';

const UNITS = [
  { value: '1', label: 'mm' },
  { value: '10', label: 'cm' },
  { value: '25.4', label: 'inch' },
] as const;
type Unit = (typeof UNITS)[number]['value'];

/** A drawing taken over: its layers become the outline of the part and a line. */
export function ImportScreen() {
  const { part: partId } = useLocalSearchParams<{ part: string }>();
  const { id, design, change } = useJob();
  const { say } = useWords();
  const part = design.parts.find((other) => other.id === partId);
  const [file, setFile] = useState<{ text: string; drawing: DrawingSummary } | null>(null);
  const [unit, setUnit] = useState<Unit | null>(null);
  const [outline, setOutline] = useState('');
  const [lines, setLines] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const work = useLongWork();
  const { busy } = work;
  const unitMm = file?.drawing.unitMm ?? (unit === null ? null : Number(unit));
  const attempt = async (what: (long: LongAsk) => Promise<void>) => {
    setTrouble(null);
    await work
      .run(what)
      .catch((error: unknown) => setTrouble(error instanceof RequestError ? error.message : String(error)));
  };
  const open = async () => {
    const text = await openTextFile('.svg,.dxf');
    if (text === null) return;
    await attempt(async (long) => {
      const drawing = await readDrawing(text, long);
      setFile({ text, drawing });
      setUnit(null);
      setOutline('');
      setLines(drawing.layers.map(({ name }) => name).filter((name) => name !== 'outline' && name !== 'openings'));
    });
  };
  const take = () =>
    attempt(async (long) => {
      if (!file || unitMm === null || !part) return;
      const imported = await takeDrawing(
        { text: file.text, wish: { unitMm, outline: outline || null, lines: [...lines], ...newLine(part) } },
        long,
      );
      if (!imported.outline && !imported.line)
        return setTrouble(phrases(imported.left.map(say), ' ') || 'Nothing of the drawing was chosen.');
      const taken = await change((now) => withDrawing(now, partId, imported), messageWithoutValues('edit.drawing'));
      if (!taken) return;
      if (imported.left.length > 0) return setTrouble(phrase`Taken over, but: ${phrases(imported.left.map(say), ' ')}`);
      router.replace(`/job/${id}/lines?part=${partId}` as Href);
    });
  return (
    <StepLayout
      action={
        file ? (
          <Action
            rank="main"
            label="Take it over"
            disabled={unitMm === null || busy}
            busy={busy}
            onPress={() => void take()}
            testID="submit"
          />
        ) : undefined
      }
    >
      <ChooseFile part={part} chosen={file !== null} work={work} trouble={trouble} onOpen={() => void open()} />
      {file ? (
        <Layers
          drawing={file.drawing}
          unit={unit}
          outline={outline}
          lines={lines}
          onUnit={setUnit}
          onOutline={setOutline}
          onLines={setLines}
        />
      ) : null}
    </StepLayout>
  );
}

/** The line of an imported drawing on a part that has others. */
const newLine = ({ lines, datums }: Part) => ({
  lineId: unusedId(
    'line',
    lines.map(({ id }) => id),
  ),
  lineName: 'Imported',
  datum: datums[0]!.id,
});

/** A design whose part has the outline and the line of a drawing, where they were chosen. */
function withDrawing(
  design: Design,
  partId: string,
  { outline, line }: Pick<Awaited<ReturnType<typeof takeDrawing>>, 'outline' | 'line'>,
): Design {
  const shaped = outline
    ? {
        ...design,
        parts: design.parts.map((part) =>
          part.id === partId ? { ...part, surface: { kind: 'flat' as const, outline } } : part,
        ),
      }
    : design;
  return line ? withLine(shaped, partId, line) : shaped;
}

interface ChooseFileProps {
  readonly part: Part | undefined;
  readonly chosen: boolean;
  readonly work: ReturnType<typeof useLongWork>;
  readonly trouble: string | null;
  readonly onOpen: () => void;
}

/** Which file, and what came of reading it. */
function ChooseFile({ part, chosen, work, trouble, onOpen }: ChooseFileProps) {
  return (
    <Panel>
      <Heading>{phrase`A drawing for ${part?.name ?? 'the part'}`}</Heading>
      <Body>
        SVG or DXF: paths, lines, arcs, circles, ellipses and splines are read. Text and pictures are passed over;
        nothing in the file is run.
      </Body>
      <Action
        label={chosen ? 'Choose another file' : 'Choose a file'}
        icon="upload-outline"
        busy={work.busy && !chosen}
        onPress={onOpen}
        testID="choose-file"
      />
      <WorkNote work={work} />
      {trouble ? <Notice level="stop" text={trouble} /> : null}
    </Panel>
  );
}

interface LayersProps {
  readonly drawing: DrawingSummary;
  readonly unit: Unit | null;
  readonly outline: string;
  readonly lines: readonly string[];
  readonly onUnit: (unit: Unit) => void;
  readonly onOutline: (layer: string) => void;
  readonly onLines: (layers: readonly string[]) => void;
}

/** Size of a drawing, and which of its layers is the outline and which are lines. */
function Layers({ drawing, unit, outline, lines, onUnit, onOutline, onLines }: LayersProps) {
  const { unit: shown } = useJob();
  const { say, text } = useWords();
  const unitMm = drawing.unitMm ?? (unit === null ? null : Number(unit));
  return (
    <Panel>
      {drawing.unitMm === null ? (
        <Choice
          label="The file does not say its unit. One unit of it is"
          value={unit ?? ('' as '1')}
          options={UNITS}
          onChange={onUnit}
        />
      ) : (
        <Small>{phrase`One unit of the file is ${showLength(drawing.unitMm)}`}</Small>
      )}
      {unitMm === null ? null : (
        <Body>{phrase`The drawing is ${showLength(drawing.width * unitMm, shown)} × ${showLength(drawing.height * unitMm, shown)}`}</Body>
      )}
      <Pick
        label="Outline of the part"
        value={outline}
        options={[
          { value: '', label: 'leave it as it is' },
          ...drawing.layers.map(({ name }) => ({
            value: name,
            label: phrase`largest closed path of "${name}"`,
          })),
        ]}
        onChange={onOutline}
      />
      <Small>Layers that are lines</Small>
      {drawing.layers.map(({ name, paths }) => (
        <View key={name} style={styles.switch}>
          <Switch
            value={lines.includes(name)}
            onValueChange={(on) => onLines(on ? [...lines, name] : lines.filter((line) => line !== name))}
            accessibilityLabel={text(phrase`Layer ${name}`)}
          />
          <Body>{phrase`${name}: ${paths} ${paths === 1 ? 'path' : 'paths'}`}</Body>
        </View>
      ))}
      {drawing.skipped.length > 0 ? (
        <Notice level="note" text={phrase`Passed over: ${phrases(drawing.skipped.map(say))}`} />
      ) : null}
    </Panel>
  );
}

const styles = StyleSheet.create({
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
