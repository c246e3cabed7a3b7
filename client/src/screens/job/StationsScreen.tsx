import {
  DEFAULT_TOLERANCE_MM,
  defaultStationStep,
  type LinePlan,
  messageWithoutValues,
  type PartPlan,
  readFailed,
  readLength,
  showLength,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Marks } from '@/drawing/bends';
import { PartDrawing } from '@/drawing/PartDrawing';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { Pick } from '@/forms/Pick';
import { readingFault } from '@/forms/readingFault';
import { saveAnswer } from '@/job/download';
import { useJob } from '@/job/JobContext';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { MatchForm } from '@/setout/MatchForm';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Table } from '@/ui/Table';
import { Body, Heading, Small } from '@/ui/Typography';
import type { Views } from '@/worker/messages';
import { useView } from '@/worker/useSession';

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
  const { step, tolerance, wish } = useStationWish(part.id, line, stroke, datum);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { output: table } = useView('stations', wish);
  const inWords = table && words.stations(table);
  const file = (what: 'pdf' | 'csv') => {
    if (wish)
      void saveStations(id, what, wish, unit, `${design.title} ${line?.code ?? ''} stations.${what}`).then(setTrouble);
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
        <StrokeAndDatum
          part={part}
          strokes={strokes}
          stroke={stroke}
          datum={datum}
          onStroke={setStroke}
          onDatum={setDatum}
        />
        <View style={styles.row}>
          <Typed label="A mark every" {...step} testID="step" />
          <Typed label="Chords may stray by" {...tolerance} testID="tolerance" />
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

/** Step and tolerance as typed, and the table they ask for; null while one of them cannot be read. */
function useStationWish(part: string, line: LinePlan | undefined, stroke: string, datum: string) {
  const { design, unit } = useJob();
  const [step, setStep] = useState(() => lengthText(defaultStationStep(line?.lengthMm ?? 1000), unit));
  const [tolerance, setTolerance] = useState(() =>
    lengthText(design.scale > 1 ? DEFAULT_TOLERANCE_MM / 5 : DEFAULT_TOLERANCE_MM, unit),
  );
  const read = (text: string) => readLength(text, { bare: unit, scale: design.scale });
  const [stepRead, toleranceRead] = [positive(read(step)), positive(read(tolerance))];
  const wish =
    stepRead.ok && toleranceRead.ok
      ? { part, line: stroke, datum, stepMm: stepRead.value, toleranceMm: toleranceRead.value }
      : null;
  return {
    step: { unit, value: step, onChange: setStep, fault: readingFault(stepRead) },
    tolerance: { unit, value: tolerance, onChange: setTolerance, fault: readingFault(toleranceRead) },
    wish,
  };
}

interface StrokeAndDatumProps {
  readonly part: PartPlan;
  readonly strokes: PartPlan['lines'];
  readonly stroke: string;
  readonly datum: string;
  readonly onStroke: (id: string) => void;
  readonly onDatum: (id: string) => void;
}

/** Which stroke of the line, and measured from where: each only where there is a choice. */
function StrokeAndDatum({ part, strokes, stroke, datum, onStroke, onDatum }: StrokeAndDatumProps) {
  return (
    <>
      {strokes.length > 1 ? (
        <Pick
          label="Stroke"
          value={stroke}
          options={strokes.map((other) => ({ value: other.id, label: other.code }))}
          onChange={onStroke}
        />
      ) : null}
      {part.datums.length > 1 ? (
        <Pick
          label="Measured from"
          value={datum}
          options={part.datums.map((other) => ({ value: other.id, label: other.name }))}
          onChange={onDatum}
        />
      ) : null}
    </>
  );
}

/** Saves the table of a line as a file; returns what went wrong. */
const saveStations = (
  job: string,
  what: 'pdf' | 'csv',
  { part, line, datum, stepMm, toleranceMm }: Views['stations']['input'],
  unit: 'mm' | 'in',
  name: string,
) =>
  saveAnswer(
    `/jobs/${job}/${what === 'pdf' ? 'print' : 'stations.csv'}`,
    { what: 'stations', unit, part, line, datum, step: stepMm, tolerance: toleranceMm },
    name,
  );

const positive = (reading: ReturnType<typeof readLength>): ReturnType<typeof readLength> =>
  reading.ok && reading.value <= 0 ? readFailed(messageWithoutValues('ask.must-be-above')) : reading;

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
