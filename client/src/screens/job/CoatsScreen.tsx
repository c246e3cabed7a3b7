import {
  type Advice,
  isLine,
  itemsLyingIn,
  linesIn,
  type LineSpot,
  type PartPlan,
  type Place,
  pointOnLine,
  sprayArrows,
} from '@lintrel/core';
import { useMemo, useState } from 'react';
import { EdgePanel, spotOf } from '@/coats/EdgePanel';
import { Orders } from '@/coats/Orders';
import { Pins } from '@/coats/Pins';
import { Rehearse, useRehearsal } from '@/coats/Rehearse';
import { RulesPanel } from '@/coats/RulesPanel';
import { StageFacts } from '@/coats/StageFacts';
import { StageStrip } from '@/coats/StageStrip';
import { finalAreas, momentAreas, stageAreas } from '@/drawing/paint';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Heading } from '@/ui/Typography';

/** Coats: the orders found, a picture after every stage, the edge cut open, and the rehearsal. */
export function CoatsScreen() {
  const { plan, shelf } = useJob();
  const [number, setNumber] = useState(1);
  const stage = plan?.stages[Math.min(number, plan.stages.length) - 1] ?? null;
  const painted = stage?.pictures.find(({ areas }) => areas.some(({ open }) => open));
  const { part, choice, choose } = usePart(plan?.parts ?? null, painted?.part);
  const [area, setArea] = useState<string | null>(null);
  const [chosenSpot, setSpot] = useState<LineSpot | null>(null);
  const rehearsed = useRehearsal(plan);
  const arrows = useMemo(() => (plan && part && stage ? sprayArrows(plan, part, stage) : []), [plan, part, stage]);
  if (!plan || !part) return <StepGuard waiting="Finding the order of coats …" />;
  if (!stage)
    return (
      <StepLayout part={part} drawing={<PartDrawing part={part} areas={finalAreas(part.areas, shelf)} codes="areas" />}>
        {choice}
        <Missing need="finish" />
      </StepLayout>
    );
  const { moment } = rehearsed;
  const masked = !moment || moment.masks.length > 0;
  const runs = masked ? itemsLyingIn(plan.items, moment ? { number: moment.stage } : stage).filter(isLine) : [];
  const spot = spotOf(part, chosenSpot, linesIn(plan, stage));
  const go = ({ place }: Advice) => {
    if (place.part) choose(place.part);
    const there = plan.parts.find(({ id }) => id === place.part);
    setArea(there?.areas.find(({ id }) => id === place.area)?.code ?? null);
    const line = there?.borders.find((border) => border.line === place.line);
    if (place.part && line) setSpot({ part: place.part, line: line.line, at: (line.from + line.to) / 2 });
  };
  const show = (next: number) => {
    rehearsed.setPlaying(false);
    rehearsed.setAt(null);
    setNumber(next);
  };
  return (
    <StepLayout
      part={part}
      drawing={
        <PartDrawing
          part={part}
          areas={moment ? momentAreas(plan, moment, part, shelf) : stageAreas(plan, stage, part, shelf)}
          runs={runs}
          arrows={moment ? [] : arrows}
          spot={moment || !spot ? null : placeOn(part, spot)}
          codes="areas"
          chosenArea={area}
          onArea={(code) => setArea(code === area ? null : code)}
        />
      }
    >
      <StageStrip plan={plan} part={part} chosen={moment?.stage ?? stage.number} onChoose={show} />
      {choice}
      <StageFacts stage={stage} plan={plan} />
      <Pins plan={plan} part={part} stage={stage} chosen={area} />
      <Rehearse {...rehearsed} />
      <Orders plan={plan} />
      <EdgePanel plan={plan} part={part} stage={stage} spot={spot} onSpot={setSpot} />
      <RulesPanel plan={plan} />
      <Regrets advice={plan.advice.filter(({ code }) => code !== 'advice.unchosen')} onGo={go} />
    </StepLayout>
  );
}

/** Risks, each with a link to its place. */
function Regrets({ advice, onGo }: { advice: readonly Advice[]; onGo: (advice: Advice) => void }) {
  const { say } = useWords();
  if (advice.length === 0) return null;
  return (
    <Panel>
      <Heading>Look before you paint</Heading>
      {advice.map((other) => (
        <Notice
          key={say(other)}
          level={other.level}
          text={say(other)}
          onPress={other.place.area !== null || other.place.line !== null ? () => onGo(other) : undefined}
        />
      ))}
    </Panel>
  );
}

const placeOn = (part: PartPlan, { line, at }: LineSpot): Place | null => {
  const pieces = part.lines.find(({ id }) => id === line)?.pieces ?? [];
  return pointOnLine(pieces, at);
};
