import { withLine, unusedId, showLength, type DrawingSummary, messageWithoutValues } from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Switch } from 'react-native-paper';
import { RequestError, type LongAsk } from '@/api/http';
import { useLongWork } from '@/api/useLongWork';
import { readDrawing, takeDrawing } from '@/api/drawings';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { StepLayout } from '@/job/StepLayout';
import { openTextFile } from '@/jobs/openFile';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { WorkNote } from '@/ui/WorkNote';
import { useWords } from '@/person/PersonContext';

const UNITS = [
  { value: '1', label: 'mm' },
  { value: '10', label: 'cm' },
  { value: '25.4', label: 'inch' },
] as const;

/** A drawing taken over: its layers become the outline of the part and a line. */
export function ImportScreen() {
  const { part: partId } = useLocalSearchParams<{ part: string }>();
  const { id, design, change, unit: shown } = useJob();
  const { say, text } = useWords();
  const part = design.parts.find((other) => other.id === partId);
  const [file, setFile] = useState<{ text: string; drawing: DrawingSummary } | null>(null);
  const [unit, setUnit] = useState<(typeof UNITS)[number]['value'] | null>(null);
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
      const lineId = unusedId(
        'line',
        part.lines.map((line) => line.id),
      );
      const imported = await takeDrawing(
        {
          text: file.text,
          wish: {
            unitMm,
            outline: outline || null,
            lines: [...lines],
            lineId,
            lineName: 'Imported',
            datum: part.datums[0]!.id,
          },
        },
        long,
      );
      if (!imported.outline && !imported.line)
        return setTrouble(phrases(imported.left.map(say), ' ') || 'Nothing of the drawing was chosen.');
      const taken = await change((now) => {
        const shaped = imported.outline
          ? {
              ...now,
              parts: now.parts.map((other) =>
                other.id === partId
                  ? {
                      ...other,
                      surface: {
                        kind: 'flat' as const,
                        outline: imported.outline as NonNullable<typeof imported.outline>,
                      },
                    }
                  : other,
              ),
            }
          : now;
        return imported.line ? withLine(shaped, partId, imported.line) : shaped;
      }, messageWithoutValues('edit.drawing'));
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
      <Panel>
        <Heading>{phrase`A drawing for ${part?.name ?? 'the part'}`}</Heading>
        <Body>
          SVG or DXF: paths, lines, arcs, circles, ellipses and splines are read. Text and pictures are passed over;
          nothing in the file is run.
        </Body>
        <Action
          label={file ? 'Choose another file' : 'Choose a file'}
          icon="upload-outline"
          busy={busy && !file}
          onPress={() => void open()}
          testID="choose-file"
        />
        <WorkNote work={work} />
        {trouble ? <Notice level="stop" text={trouble} /> : null}
      </Panel>
      {file ? (
        <Panel>
          {file.drawing.unitMm === null ? (
            <Choice
              label="The file does not say its unit. One unit of it is"
              value={unit ?? ('' as '1')}
              options={UNITS}
              onChange={setUnit}
            />
          ) : (
            <Small>{phrase`One unit of the file is ${showLength(file.drawing.unitMm)}`}</Small>
          )}
          {unitMm === null ? null : (
            <Body>{phrase`The drawing is ${showLength(file.drawing.width * unitMm, shown)} × ${showLength(file.drawing.height * unitMm, shown)}`}</Body>
          )}
          <Pick
            label="Outline of the part"
            value={outline}
            options={[
              { value: '', label: 'leave it as it is' },
              ...file.drawing.layers.map(({ name }) => ({
                value: name,
                label: phrase`largest closed path of "${name}"`,
              })),
            ]}
            onChange={setOutline}
          />
          <Small>Layers that are lines</Small>
          {file.drawing.layers.map(({ name, paths }) => (
            <View key={name} style={styles.switch}>
              <Switch
                value={lines.includes(name)}
                onValueChange={(on) => setLines(on ? [...lines, name] : lines.filter((line) => line !== name))}
                accessibilityLabel={text(phrase`Layer ${name}`)}
              />
              <Body>{phrase`${name}: ${paths} ${paths === 1 ? 'path' : 'paths'}`}</Body>
            </View>
          ))}
          {file.drawing.skipped.length > 0 ? (
            <Notice level="note" text={phrase`Passed over: ${phrases(file.drawing.skipped.map(say))}`} />
          ) : null}
        </Panel>
      ) : null}
    </StepLayout>
  );
}

const styles = StyleSheet.create({
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
