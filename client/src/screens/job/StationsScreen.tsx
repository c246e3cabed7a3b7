import {
  type PartPlan,
  messageWithoutValues,
  readLength,
  readFailed,
  showLength,
  faultText,
  DEFAULT_TOLERANCE_MM,
  defaultStationStep,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Marks, PartDrawing } from '@/drawing/PartDrawing';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { Pick } from '@/forms/Pick';
import { saveAnswer } from '@/job/download';
import { useJob } from '@/job/JobContext';
import { MatchForm } from '@/setout/MatchForm';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Table } from '@/ui/Table';
import { Body, Heading, Small } from '@/ui/Typography';
import { useView } from '@/worker/useSession';
import { useWords } from '@/person/PersonContext';

/** A line by its marks: heights at even steps, for both sides, on screen, paper and as a list. */
export function StationsScreen() {
  const { part: partId, line: lineId } = useLocalSearchParams<{ part: string; line: string }>();
  const { parts } = useJob();
  const part = parts?.find(({ id }) => id === partId);
  if (!part) return <StepGuard waiting="Setting the marks …" />;
  return <Stations key={`${partId}/${lineId}`} part={part} lineId={lineId} />;
}

function Stations({ part, lineId }: { part: PartPlan; lineId: string }) {
  const words = useWords();
  const { id, design, unit } = useJob();
  const strokes = part.lines.filter(({ owner }) => owner === part.lines.find((other) => other.id === lineId)?.owner);
  const [stroke, setStroke] = useState(lineId);
  const line = part.lines.find((other) => other.id === stroke);
  const [datum, setDatum] = useState(part.datums[0]!.id);
  const [step, setStep] = useState(() => lengthText(defaultStationStep(line?.lengthMm ?? 1000), unit));
  const [tolerance, setTolerance] = useState(() =>
    lengthText(design.scale > 1 ? DEFAULT_TOLERANCE_MM / 5 : DEFAULT_TOLERANCE_MM, unit),
  );
  const [trouble, setTrouble] = useState<string | null>(null);
  const read = (text: string) => readLength(text, { bare: unit, scale: design.scale });
  const [stepRead, toleranceRead] = [positive(read(step)), positive(read(tolerance))];
  const wish =
    stepRead.ok && toleranceRead.ok
      ? { part: part.id, line: stroke, datum, stepMm: stepRead.value, toleranceMm: toleranceRead.value }
      : null;
  const { output: table } = useView('stations', wish);
  const inWords = table && words.stations(table);
  const file = (what: 'pdf' | 'csv') => {
    if (!wish) return;
    const body = {
      what: 'stations',
      unit,
      part: wish.part,
      line: wish.line,
      datum: wish.datum,
      step: wish.stepMm,
      tolerance: wish.toleranceMm,
    };
    void saveAnswer(
      `/jobs/${id}/${what === 'pdf' ? 'print' : 'stations.csv'}`,
      body,
      `${design.title} ${line?.code ?? ''} stations.${what}`,
    ).then(setTrouble);
  };
  return (
    <StepLayout
      part={part}
      drawing={
        <PartDrawing
          part={part}
          areas={part.areas}
          help
          codes="lines"
          chosenLine={line?.owner}
          overlay={(mmPerDp) => (table ? <Marks marks={table.marks} mmPerDp={mmPerDp} /> : null)}
        />
      }
      action={
        <Action
          rank="main"
          label="Print the table"
          icon="printer-outline"
          disabled={!table}
          onPress={() => file('pdf')}
        />
      }
    >
      <Panel>
        <Heading>{phrase`Stations of ${line?.code ?? ''} ${line?.name ?? ''}`}</Heading>
        <Small>{line ? phrase`${showLength(line.lengthMm, unit)} long` : ''}</Small>
        {strokes.length > 1 ? (
          <Pick
            label="Stroke"
            value={stroke}
            options={strokes.map((other) => ({ value: other.id, label: other.code }))}
            onChange={setStroke}
          />
        ) : null}
        {part.datums.length > 1 ? (
          <Pick
            label="Measured from"
            value={datum}
            options={part.datums.map((other) => ({ value: other.id, label: other.name }))}
            onChange={setDatum}
          />
        ) : null}
        <View style={styles.row}>
          <Typed
            label="A mark every"
            unit={unit}
            value={step}
            onChange={setStep}
            fault={stepRead.ok ? undefined : faultText(stepRead.why)}
            testID="step"
          />
          <Typed
            label="Chords may stray by"
            unit={unit}
            value={tolerance}
            onChange={setTolerance}
            fault={toleranceRead.ok ? undefined : faultText(toleranceRead.why)}
            testID="tolerance"
          />
        </View>
        {inWords ? (
          <>
            <Small>{inWords.note}</Small>
            <Table columns={inWords.columns} rows={inWords.rows} testID="stations" />
          </>
        ) : (
          <Body>{wish ? 'Setting the marks …' : 'The table comes when both lengths can be read.'}</Body>
        )}
        <Action label="Save as a list (CSV)" icon="download-outline" disabled={!table} onPress={() => file('csv')} />
        {trouble ? <Notice level="stop" text={trouble} /> : null}
      </Panel>
      <MatchForm partId={part.id} lineId={stroke} datum={datum} />
      <Action
        rank="quiet"
        icon="arrow-left"
        label="Back to the lines"
        onPress={() => router.replace(`/job/${id}/lines?part=${part.id}` as Href)}
      />
    </StepLayout>
  );
}

const positive = (reading: ReturnType<typeof readLength>): ReturnType<typeof readLength> =>
  reading.ok && reading.value <= 0 ? readFailed(messageWithoutValues('ask.must-be-above')) : reading;

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
