import { showLength, showMetres } from '@lintrel/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Words';

/** Tape: what is laid where, in order, with length and technique. */
export default function TapeScreen() {
  const { design, plan, shelf } = useJob();
  const [number, setNumber] = useState<number | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  if (design.parts.length === 0 || !plan) return <StepGuard waiting="Laying out the tape …" />;
  if (plan.stages.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  const stage = plan.stages.find((one) => one.number === number) ?? plan.stages.find((one) => one.runs.length > 0) ?? plan.stages[0];
  const run = stage.runs.find(({ code }) => code === chosen) ?? stage.runs[0];
  const part = plan.parts.find(({ id }) => id === run?.part) ?? plan.parts[0];
  const picture = stage.pictures.find((one) => one.part === part.id)?.areas ?? [];
  const finishName = (id: string) => shelf.finishes.find((finish) => finish.id === id)?.name ?? id;
  return (
    <StepLayout
      part={part}
      drawing={
        <PartDrawing
          part={part}
          areas={picture.map(({ code, open, colour }) => ({ code, colour, covered: !open && stage.runs.length > 0 }))}
          runs={stage.runs.filter((one) => one.part === part.id)}
          chosenRun={run?.code}
          codes="lines"
        />
      }
    >
      <Choice
        label="Stage"
        value={String(stage.number)}
        options={plan.stages.map((one) => ({ value: String(one.number), label: `${one.number} ${finishName(one.finish)}` }))}
        onChange={(value) => setNumber(Number(value))}
      />
      <Sheet>
        <Heading>Lay in this order</Heading>
        {stage.runs.length === 0 ? <Body>Nothing to mask in this stage: everything that is left gets painted over or is open.</Body> : null}
        <Rows>
          {stage.runs.map((one) => (
            <Row key={one.code} label={`${one.code} ${one.tape ?? 'by hand'}`} chosen={one.code === run?.code} onPress={() => setChosen(one.code)} testID="run">
              <View style={styles.head}>
                <Heading>{`${one.code}  ${one.tape ?? 'by hand'}`}</Heading>
                <Body>{`${one.coversStrip ? 'along' : one.sideWords} ${one.lineCode}${plan.parts.length > 1 ? `, ${plan.parts.find(({ id }) => id === one.part)?.name}` : ''}`}</Body>
              </View>
              <Body>{one.how}</Body>
              <Small>{one.why}</Small>
              <View style={styles.figures}>
                <Figure label="Off the roll" value={showMetres(one.tapeMm)} />
                <Figure label="Edge" value={one.crisp || one.coversStrip ? 'crisp' : 'rough'} />
                {one.stretch > 0 ? <Figure label="Stretch" value={`${(one.stretch * 100).toFixed(1)} %`} /> : null}
                {one.worstRadiusMm !== null ? <Figure label="Tightest radius" value={showLength(one.worstRadiusMm, design.unit)} /> : null}
                {one.count > 1 ? <Figure label="How often" value={String(one.count)} /> : null}
              </View>
              {one.doubt ? <Notice level="caution" text={one.doubt} /> : null}
            </Row>
          ))}
        </Rows>
        {stage.covers.length > 0 ? (
          <Row label="Cover">
            <Body>{`Then cover ${stage.covers.map(({ area, part: of }) => `${plan.parts.length > 1 ? `${plan.parts.find(({ id }) => id === of)?.name} ` : ''}${area}`).join(', ')}`}</Body>
            <Small>{`${stage.covers.reduce((sum, { sizeM2 }) => sum + sizeM2, 0).toFixed(2)} m² of paper or film (estimate)`}</Small>
          </Row>
        ) : null}
      </Sheet>
      <Sheet>
        <Heading>Tape to have ready, all stages</Heading>
        {plan.tapes.length === 0 ? <Body>None.</Body> : null}
        <Rows>
          {plan.tapes.map(({ tape, pieces, lengthM }) => (
            <Row key={tape} label={tape}>
              <Body>{`${tape}  ${shelf.tapes.find(({ code }) => code === tape)?.name ?? ''}`}</Body>
              <Small>{`${lengthM.toFixed(2)} m in ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}, tails included`}</Small>
            </Row>
          ))}
        </Rows>
      </Sheet>
    </StepLayout>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'baseline', gap: space.small, flexWrap: 'wrap' },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
});
