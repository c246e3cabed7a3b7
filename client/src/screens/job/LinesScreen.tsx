import { type LinePlan, type PartPlan, showBoth, showLength } from '@lintrel/core';
import { LINE_NAMES, phrase, phrases } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { firstStrokes } from '@/drawing/strokes';
import { useJob } from '@/job/JobContext';
import { usePart } from '@/job/PartChoice';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { LineDrawing } from '@/setout/LineDrawing';
import { LineFacts } from '@/setout/LineFacts';
import { LineTools } from '@/setout/LineTools';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Small } from '@/ui/Typography';
import { useView } from '@/worker/useSession';

/** Lines: every trim line with its code, its worst bend, and which tape follows it; measured points are dragged on the drawing. */
export function LinesScreen() {
  const { parts } = useJob();
  const { part: first } = useLocalSearchParams<{ part?: string }>();
  const { part, choice } = usePart(parts, first);
  return part ? <LinesOf key={part.id} part={part} choice={choice} /> : <StepGuard waiting="Working out the lines …" />;
}

function LinesOf({ part, choice }: { part: PartPlan; choice: React.ReactNode }) {
  const { id, design, plan, unit } = useJob();
  const { say } = useWords();
  const [chosen, setChosen] = useState<string | null>(null);
  const [comb, setComb] = useState(false);
  const strokes = part.lines.filter(({ owner }) => owner === chosen);
  const asked = strokes[0] ? { part: part.id, line: strokes[0].id } : null;
  const fits = useView('fits', asked);
  const analysis = useView('analysis', asked);
  const ownPart = design.parts.find((other) => other.id === part.id);
  const follows = ownPart?.opposite?.follows ?? false;
  const toggle = useCallback((line: string) => setChosen((now) => (line === now ? null : line)), []);
  const owners = firstStrokes(part.lines);
  return (
    <StepLayout
      part={part}
      drawing={
        <LineDrawing
          part={part}
          chosen={chosen}
          onLine={toggle}
          comb={comb ? (analysis.output?.bends ?? null) : null}
        />
      }
      action={
        follows ? undefined : (
          <Action
            rank="main"
            label="Set out a line"
            icon="plus"
            onPress={() => router.push(`/job/${id}/line/${part.id}/new` as Href)}
          />
        )
      }
    >
      {choice}
      {owners.length === 0 ? (
        <Body>
          No line on this part yet. A line is where one colour ends and another begins; it is measured from a datum.
        </Body>
      ) : null}
      {owners.length > 0 ? (
        <Panel>
          <Rows>
            {owners.map((line) => (
              <View key={line.owner}>
                <LineRow line={line} part={part} chosen={line.owner === chosen} onPress={() => toggle(line.owner)} />
                {line.owner === chosen && strokes[0] ? (
                  <Unfolded>
                    <LineFacts
                      line={strokes[0]}
                      analysis={analysis.output}
                      fits={fits.output}
                      unit={unit}
                      scale={design.scale}
                    />
                    <LineTools
                      partId={part.id}
                      line={strokes[0]}
                      made={follows ? null : (ownPart?.lines.find((other) => other.id === chosen) ?? null)}
                      comb={comb}
                      onComb={setComb}
                    />
                  </Unfolded>
                ) : null}
              </View>
            ))}
          </Rows>
        </Panel>
      ) : null}
      {(plan?.advice ?? [])
        .filter(({ place, values }) => place.part === part.id && place.line !== null && !('stage' in values))
        .map((advice) => (
          <Notice key={say(advice)} level={advice.level} text={say(advice)} />
        ))}
    </StepLayout>
  );
}

interface LineRowProps {
  readonly line: LinePlan;
  readonly part: PartPlan;
  readonly chosen: boolean;
  readonly onPress: () => void;
}

function LineRow({ line, part, chosen, onPress }: LineRowProps) {
  const { design, unit } = useJob();
  const { say } = useWords();
  return (
    <Row label={phrase`${line.code} ${line.name}`} chosen={chosen} onPress={onPress} testID="line">
      <Body>{phrase`${line.code}  ${line.name}`}</Body>
      <Small>{lineWords(line, part, unit, design.scale)}</Small>
      {line.fault ? <Small tone="accent">{phrase`This line ${say(line.fault)}`}</Small> : null}
    </Row>
  );
}

function lineWords(line: LinePlan, part: PartPlan, unit: 'mm' | 'in', scale: number): string {
  const strokes = part.lines.filter(({ owner }) => owner === line.owner);
  const length = strokes.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  return phrases(
    [
      LINE_NAMES[line.kind].toLowerCase(),
      strokes.length > 1
        ? phrase`${strokes.length} strokes, ${showBoth(length, unit, scale)} in all`
        : showBoth(length, unit, scale),
      ...(strokes.length === 1 && line.tightest
        ? [phrase`tightest radius ${showLength(line.tightest.radiusMm, unit)}`]
        : []),
      ...(line.hidden ? ['hidden'] : []),
      ...(line.locked ? ['locked'] : []),
    ],
    ' · ',
  );
}
