import type { PartPlan, Plan, SequenceSummary, StagePlan } from '@lintrel/core';
import { showMinutes } from '@lintrel/core';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { PartThumb } from '@/drawing/PartThumb';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Swatch } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Words';

/** Coats: the orders found, and a picture after every stage. */
export default function CoatsScreen() {
  const { plan } = useJob();
  const { part, choice } = usePart(plan);
  const [number, setNumber] = useState(1);
  if (!plan || !part) return <StepGuard waiting="Finding the order of coats …" />;
  if (plan.stages.length === 0)
    return (
      <StepLayout part={part} drawing={<PartDrawing part={part} areas={part.areas} codes="areas" />}>
        {choice}
        <Missing need="finish" />
      </StepLayout>
    );
  const stage = plan.stages[Math.min(number, plan.stages.length) - 1];
  return (
    <StepLayout part={part} drawing={<PartDrawing part={part} areas={stageAreas(stage, part)} runs={stage.runs} codes="areas" />}>
      <StageStrip plan={plan} part={part} chosen={stage.number} onChoose={setNumber} />
      {choice}
      <StageFacts stage={stage} />
      <Orders plan={plan} />
      {plan.advice
        .filter(({ text }) => /^Stage/.test(text))
        .map(({ level, text }) => (
          <Notice key={text} level={level} text={text} />
        ))}
    </StepLayout>
  );
}

/** Colours after a stage, with what is covered in it. */
const stageAreas = (stage: StagePlan, part: PartPlan) =>
  (stage.pictures.find((picture) => picture.part === part.id)?.areas ?? []).map(({ code, open, colour: paint }) => ({
    code,
    colour: paint,
    covered: !open && stage.runs.some((run) => run.part === part.id),
  }));

function StageStrip({ plan, part, chosen, onChoose }: { plan: Plan; part: PartPlan; chosen: number; onChoose: (number: number) => void }) {
  return (
    <ScrollView horizontal contentContainerStyle={styles.strip}>
      {plan.stages.map((stage) => (
        <Pressable
          key={stage.number}
          role="button"
          aria-label={`Stage ${stage.number}`}
          aria-pressed={stage.number === chosen}
          onPress={() => onChoose(stage.number)}
          style={[styles.picture, stage.number === chosen && styles.chosen]}
          testID="stage"
        >
          <PartThumb part={part} areas={stageAreas(stage, part)} width={96} height={56} />
          <Small tone="ink">{`Stage ${stage.number}`}</Small>
        </Pressable>
      ))}
      <View style={styles.picture}>
        <PartThumb part={part} areas={part.areas} width={96} height={56} />
        <Small>In the end</Small>
      </View>
    </ScrollView>
  );
}

function StageFacts({ stage }: { stage: StagePlan }) {
  const { shelf } = useJob();
  const finish = shelf.finishes.find(({ id }) => id === stage.finish);
  return (
    <Sheet>
      <View style={styles.row}>
        <Swatch colour={finish?.colour ?? colour.sheet} />
        <Heading>{`Stage ${stage.number}: ${finish?.name ?? stage.finish}`}</Heading>
      </View>
      <Body>{`${stage.coats === 1 ? '1 coat' : `${stage.coats} coats`}: ${stage.coatsWhy}.`}</Body>
      <Small>Hatched: covered in this stage. Dark bands along the lines: tape.</Small>
      <View style={styles.figures}>
        <Figure label="Mask (estimate)" value={showMinutes(stage.layMin)} />
        <Figure label="Paint (estimate)" value={showMinutes(stage.coatMin + stage.changeMin)} />
        <Figure label="Pull (estimate)" value={showMinutes(stage.pullMin)} />
        <Figure label="Wait (estimate)" value={showMinutes(stage.waitMin)} />
        <Figure label="Tape edges" value={stage.tapeM.toFixed(2)} unit="m" />
        <Figure label="Dry film" value={stage.buildUm.toFixed(0)} unit="µm" />
      </View>
    </Sheet>
  );
}

function Orders({ plan }: { plan: Plan }) {
  const { design, change } = useJob();
  const pinned = design.choices.order !== null;
  const choose = (order: readonly string[] | null) => void change((now) => ({ ...now, choices: { ...now.choices, order: order && [...order] } }));
  return (
    <Sheet>
      <Heading>Orders of coats</Heading>
      {plan.orderGap > 0 ? <Small>{`The best found; the best possible would save at most ${(100 * plan.orderGap).toFixed(0)} %.`}</Small> : null}
      <ScrollView horizontal contentContainerStyle={styles.strip}>
        {plan.sequences.map((sequence, index) => (
          <Order key={sequence.order.join()} sequence={sequence} best={index === 0 && plan.sequences.length > 1} onChoose={() => choose(sequence.order)} />
        ))}
      </ScrollView>
      {pinned ? <Action label="Let Lintrel choose again" onPress={() => choose(null)} /> : null}
    </Sheet>
  );
}

function Order({ sequence, best, onChoose }: { sequence: SequenceSummary; best: boolean; onChoose: () => void }) {
  const { shelf } = useJob();
  return (
    <View style={[styles.order, sequence.chosen && styles.chosen]}>
      {sequence.order.map((id, index) => {
        const finish = shelf.finishes.find((one) => one.id === id);
        return (
          <View key={id} style={styles.row}>
            <Swatch colour={finish?.colour ?? colour.sheet} />
            <Body lines={1} style={styles.shrink}>{`${index + 1}. ${finish?.name ?? id}`}</Body>
          </View>
        );
      })}
      <View style={styles.figures}>
        <Figure label="Work (estimate)" value={showMinutes(sequence.workMin)} />
        <Figure label="Wait (estimate)" value={showMinutes(sequence.waitMin)} />
        <Figure label="Tape edges" value={sequence.tapeM.toFixed(1)} unit="m" />
        <Figure label="Coats" value={String(sequence.coats)} />
      </View>
      <Small>{sequence.reason}</Small>
      {sequence.chosen ? (
        <Small tone="calm">{`This order is planned${best ? ', the cheapest found' : ''}`}</Small>
      ) : (
        <Action label="Take this order" onPress={onChoose} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { gap: space.small },
  picture: {
    padding: space.small,
    gap: space.tight,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
    alignItems: 'center',
    borderRadius: measure.corner,
  },
  chosen: { borderColor: colour.calm, borderWidth: 2 },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
  order: { width: 260, padding: space.middle, gap: space.small, borderWidth: measure.hairline, borderColor: colour.hairline, borderRadius: measure.corner },
  shrink: { flexShrink: 1 },
});
