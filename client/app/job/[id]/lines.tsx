import { showLength } from '@lintrel/core';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useFits } from '@/job/fits';
import { useJob } from '@/job/JobContext';
import { LineFacts } from '@/job/LineFacts';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepLayout } from '@/job/StepLayout';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Small } from '@/ui/Words';

/** Lines: every trim line with its code, its worst bend, and which tape follows it. */
export default function LinesScreen() {
  const { id, design, plan, shelf } = useJob();
  const { part, choice } = usePart(plan);
  const [chosen, setChosen] = useState<string | null>(null);
  const made = design.parts.find((one) => one.id === part?.id) ?? null;
  const fits = useFits(made, chosen, shelf.tapes);
  if (design.parts.length === 0)
    return (
      <StepLayout>
        <Missing need="part" />
      </StepLayout>
    );
  if (!part)
    return (
      <StepLayout>
        <Body>Working out the lines …</Body>
      </StepLayout>
    );
  const toggle = (line: string) => setChosen(line === chosen ? null : line);
  return (
    <StepLayout
      part={part}
      drawing={<PartDrawing part={part} areas={part.areas} codes="lines" chosenLine={chosen} onLine={toggle} />}
      action={<Action rank="main" label="Set out a line" icon="plus" onPress={() => router.push(`/job/${id}/line/${part.id}/new` as Href)} />}
    >
      {choice}
      {part.lines.length === 0 ? <Body>No line on this part yet. A line is where one colour ends and another begins; it is measured from a datum.</Body> : null}
      <Sheet>
        <Rows>
          {part.lines.map((line) => (
            <View key={line.id}>
              <Row label={`${line.code} ${line.name}`} chosen={line.id === chosen} onPress={() => toggle(line.id)} testID="line">
                <Body>{`${line.code}  ${line.name}`}</Body>
                <Small>{`${line.kind} · ${showLength(line.lengthMm, design.unit)}${line.tightest ? ` · tightest radius ${showLength(line.tightest.radiusMm, design.unit)}` : ''}`}</Small>
                {line.fault ? <Small tone="accent">{`This line ${line.fault}`}</Small> : null}
              </Row>
              {line.id === chosen ? (
                <Unfolded>
                  <LineFacts line={line} fits={fits} unit={design.unit} />
                  <Action label="Change the measurements" icon="pencil-outline" onPress={() => router.push(`/job/${id}/line/${part.id}/${line.id}` as Href)} />
                </Unfolded>
              ) : null}
            </View>
          ))}
        </Rows>
      </Sheet>
      {(plan?.advice ?? [])
        .filter((advice) => advice.part === part.id && advice.line !== null && !/^Stage/.test(advice.text))
        .map(({ level, text }) => (
          <Notice key={text} level={level} text={text} />
        ))}
    </StepLayout>
  );
}
