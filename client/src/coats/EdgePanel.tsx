import {
  edgeSection,
  type LineItem,
  type LineSpot,
  maxOf,
  type PartPlan,
  type Plan,
  ridgeAt,
  showLength,
  sidesAt,
  type StagePlan,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Pick } from '@/forms/Pick';
import { RangeInput } from '@/forms/RangeInput';
import { useJob } from '@/job/JobContext';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';
import { EdgeCut } from './EdgeCut';

/** Lines of a part that bound areas, with how long they are. */
const cutLines = (part: PartPlan) => part.lines.filter(({ id }) => part.borders.some(({ line }) => line === id));

/** Where an edge is cut open: the spot a person chose, or the middle of a line taped in the stage, or of the first. */
export function spotOf(part: PartPlan, chosen: LineSpot | null, runs: readonly LineItem[] = []): LineSpot | null {
  if (chosen && chosen.part === part.id && cutLines(part).some(({ id }) => id === chosen.line)) return chosen;
  const items = runs.filter((item) => item.part === part.id);
  const run = items.find((item) => item.class === 'crisp') ?? items[0];
  if (run) return { part: part.id, line: run.line, at: (run.from + run.to) / 2 };
  const line = cutLines(part)[0];
  const border = part.borders.find((other) => other.line === line?.id);
  return line && border ? { part: part.id, line: line.id, at: (border.from + border.to) / 2 } : null;
}

/** The layers and the tape at a place on a line, before and after pulling. */
export function EdgePanel({
  plan,
  part,
  stage,
  spot,
  onSpot,
}: {
  plan: Plan;
  part: PartPlan;
  stage: StagePlan;
  spot: LineSpot | null;
  onSpot: (spot: LineSpot) => void;
}) {
  const { shelf, unit } = useJob();
  const [pulled, setPulled] = useState<'on' | 'off'>('on');
  if (!spot) return null;
  const line = part.lines.find(({ id }) => id === spot.line);
  const section = edgeSection(plan, shelf, spot, stage.number, pulled === 'off');
  const sides = sidesAt(plan, spot);
  const ridge = ridgeAt(plan, spot);
  const far = line ? maxOf(line.pieces.flat().map(([, , at]) => at)) : 0;
  return (
    <Panel>
      <Heading>The edge, cut open</Heading>
      <Pick
        label="Line"
        value={spot.line}
        options={cutLines(part).map(({ id, code, name }) => ({ value: id, label: phrase`${code}  ${name}` }))}
        onChange={(id) => onSpot(spotOf(part, { part: part.id, line: id, at: middleOf(part, id) }) ?? spot)}
      />
      <View>
        <Small>{phrase`At ${showLength(spot.at, unit)} along it`}</Small>
        <RangeInput
          label="Place along the line"
          value={spot.at}
          least={0}
          most={far}
          step={far / 200}
          words={showLength(spot.at, unit)}
          onChange={(along) => onSpot({ ...spot, at: along })}
          testID="cut-place"
        />
      </View>
      <Choice
        label={phrase`After the coats of stage ${stage.number}`}
        value={pulled}
        options={[
          { value: 'on', label: 'Tape on' },
          { value: 'off', label: 'Tape off' },
        ]}
        onChange={setPulled}
      />
      {section && sides ? (
        <EdgeCut section={section} ridge={ridge} ridged={pulled === 'off'} />
      ) : (
        <Small>Nothing ends here: no two areas meet at this place.</Small>
      )}
      <Small>Not to scale: thickness is drawn much larger than width. Films are dry films, estimates.</Small>
      <Small tone="ink">{ridgeWords(ridge)}</Small>
    </Panel>
  );
}

const middleOf = (part: PartPlan, line: string): number => {
  const border = part.borders.find((other) => other.line === line);
  return border ? (border.from + border.to) / 2 : 0;
};

function ridgeWords({ stage, ridgeUm, wet, clearUm, needUm, buried }: ReturnType<typeof ridgeAt>): string {
  if (stage === null) return 'No tape makes an edge here, so nothing stands up.';
  const how = wet ? ', half as much again because it is pulled wet' : '';
  const height = phrase`Stage ${stage} leaves a ridge of about ${ridgeUm.toFixed(0)} µm${how}.`;
  if (clearUm === 0) return phrase`${height} No clear goes over it.`;
  if (buried)
    return phrase`${height} The ${clearUm.toFixed(0)} µm of clear bury it and can be flatted (${needUm.toFixed(0)} µm needed).`;
  return phrase`${height} The ${clearUm.toFixed(0)} µm of clear do not bury it: ${needUm.toFixed(0)} µm are needed to flat it and leave enough, perhaps in two sessions.`;
}
