import {
  coatSteps,
  type Finish,
  messageWithoutValues,
  type PartPlan,
  type Plan,
  type PrepareTask,
  showMinutes,
  type StagePlan,
  withVouchedPair,
} from '@lintrel/core';
import { countPhrase, listedPhrase, phrase, phrases } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { colour, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Rows, Swatch } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';

const LAYER_WORDS: Readonly<Record<StagePlan['layer'], string>> = {
  primer: ' (under everything)',
  finish: '',
  clear: ' (over everything)',
};

/** What is done in a stage and what it takes. */
export function StageFacts({ stage, plan }: { stage: StagePlan; plan: Plan }) {
  const { say, metres } = useWords();
  const { shelf } = useJob();
  const nameOf = (id: string) => plan.parts.find((part) => part.id === id)?.name ?? id;
  const finish = shelf.finishes.find(({ id }) => id === stage.finish);
  return (
    <Panel>
      <View style={styles.row}>
        <Swatch colour={finish?.colour ?? colour.sheet} />
        <Heading
          style={styles.shrink}
        >{phrase`Stage ${stage.number}: ${finish?.name ?? stage.finish}${LAYER_WORDS[stage.layer]}`}</Heading>
      </View>
      <Body>{phrase`${countPhrase(stage.coats, 'coat')}: ${say(stage.coatsWhy)}.`}</Body>
      {finish && finish.effect !== 'solid' && stage.layer === 'finish' ? <Rungs finish={finish} stage={stage} /> : null}
      {stage.keep ? <Body>{phrase`The masks stay on for stage ${stage.number + 1}.`}</Body> : null}
      {stage.pulls.length > 0 ? (
        <Body>{phrase`The masks of stage ${listedPhrase(stage.pulls.map(String))} come off with these.`}</Body>
      ) : null}
      {stage.coveredParts.length > 0 ? (
        <Body>{phrase`Covered whole, for mist reaches them: ${listedPhrase(stage.coveredParts.map(nameOf))}.`}</Body>
      ) : null}
      <Small>
        Cross-hatched: covered. Along the lines: tape. Arrows: spray this way, off the tape, never into its edge.
      </Small>
      <View style={styles.figures}>
        <Figure label="Mask (estimate)" value={showMinutes(stage.layMin + stage.sealMin)} />
        <Figure label="Paint (estimate)" value={showMinutes(stage.coatMin + stage.changeMin)} />
        {stage.overMin > 0 ? <Figure label="Key (estimate)" value={showMinutes(stage.overMin)} /> : null}
        <Figure label="Pull, uncover (estimate)" value={showMinutes(stage.pullMin + stage.uncoverMin)} />
        <Figure label="Wait (estimate)" value={showMinutes(stage.waitMin)} />
        <Figure label="Tape edges" value={metres(1000 * stage.tapeM)} />
        <Figure label="Dry film" value={stage.buildUm.toFixed(0)} unit="µm" />
      </View>
      <Paint stage={stage} plan={plan} />
      {stage.tasks.map((task) => (
        <Task key={`${task.answer} ${task.reason.code}`} task={task} stage={stage} plan={plan} />
      ))}
    </Panel>
  );
}

/** How an effect deepens coat by coat over what is below, with the coats planned marked. */
function Rungs({ finish, stage }: { finish: Finish; stage: StagePlan }) {
  const rungs = coatSteps(finish, stage.under, stage.coats + 2);
  return (
    <View style={styles.rungs} testID="rungs">
      <Swatch colour={stage.under} />
      {rungs.map(({ coats, colour: paint, from }) => (
        <View key={coats} style={[styles.rung, coats === stage.coats && styles.planned]}>
          <Swatch colour={paint} />
          <Small
            tone={coats === stage.coats ? 'ink' : 'quiet'}
          >{phrase`${coats}${from === 'card' ? ' card' : ''}`}</Small>
        </View>
      ))}
      <Small>{phrase`Coat by coat over what is below (${rungs.some(({ from }) => from === 'card') ? 'measured on a card' : 'estimate'})`}</Small>
    </View>
  );
}

/** What to put in the cup. */
function Paint({ stage: { paint }, plan }: { stage: StagePlan; plan: Plan }) {
  const { volume } = useWords();
  const [open, setOpen] = useState(false);
  const parts = paint.partsMl.map(volume).join(' + ');
  const name = (id: string) => plan.parts.find((part) => part.id === id)?.name ?? id;
  return (
    <View style={styles.paint} testID="paint">
      <View style={styles.figures}>
        <Figure label="Mix (estimate)" value={volume(paint.mixMl)} />
        {paint.partsMl.length > 1 ? <Figure label="Measured out as" value={parts} /> : null}
        {paint.cans !== null ? <Figure label="Cans" value={String(paint.cans)} /> : null}
        {paint.potLifeMin !== null ? <Figure label="Use it within" value={showMinutes(paint.potLifeMin)} /> : null}
      </View>
      {paint.batches > 1 ? (
        <Small tone="caution">{phrase`Mix it in ${paint.batches} lots: one would be too old before the last coat.`}</Small>
      ) : null}
      <Action rank="quiet" label={open ? 'Hide the areas' : 'How much on which area'} onPress={() => setOpen(!open)} />
      {open ? (
        <Rows>
          {paint.byArea.map(({ part, area, code, ml }) => (
            <Small
              key={`${part} ${area}`}
              tone="ink"
            >{phrase`${plan.parts.length > 1 ? phrase`${name(part)} ` : ''}${code}: ${volume(ml)} (estimate)`}</Small>
          ))}
        </Rows>
      ) : null}
    </View>
  );
}

const TASK_WORDS: Readonly<Record<PrepareTask['answer'], string>> = {
  yes: 'May go on',
  wait: 'The plan waits',
  abrade: 'Abrade and clean first',
  barrier: 'Barrier coat first',
  no: 'This must not go on',
};

/** What the coat below requires; a person may vouch for the pair, with a note. */
function Task({ task, stage, plan }: { task: PrepareTask; stage: StagePlan; plan: Plan }) {
  const { shelf, change } = useJob();
  const { say } = useWords();
  const [note, setNote] = useState<string | null>(null);
  const pair = pairOf(task, stage, plan);
  const upper = shelf.finishes.find(({ id }) => id === stage.finish)?.system;
  const lowerFinish = pair && shelf.finishes.find(({ id }) => id === pair)?.system;
  const [place] = task.places;
  const present = plan.parts.find(({ id }) => id === place?.part)?.areas.find(({ code }) => code === place?.code)
    ?.present?.system;
  const lower = lowerFinish ?? present;
  const vouch = () => {
    if (!lower || !upper || !note?.trim()) return;
    const entry = { lower, upper, note: note.trim() };
    void change((now) => withVouchedPair(now, entry), messageWithoutValues('edit.vouched'));
    setNote(null);
  };
  return (
    <View style={styles.task} testID="task">
      <Small tone={task.answer === 'no' ? 'accent' : 'caution'}>
        {phrase`${TASK_WORDS[task.answer]}: ${placeWords(task.places, plan)}${task.minutes > 0 ? phrase`, ${showMinutes(task.minutes)} (estimate)` : ''}`}
      </Small>
      <Body>{say(task.reason)}</Body>
      {note === null ? (
        lower && upper ? (
          <Action rank="quiet" label="I know better here" onPress={() => setNote('')} />
        ) : null
      ) : (
        <>
          <Typed label="Why this pair holds without it" value={note} onChange={setNote} testID="vouch" />
          <Action label="Leave it out in this job" disabled={!note.trim()} onPress={vouch} />
        </>
      )}
    </View>
  );
}

/** Areas by part: `Right side A1, A2; Lid A1`. */
function placeWords(places: PrepareTask['places'], plan: Plan): string {
  const parts = [...new Set(places.map(({ part }) => part))];
  return phrases(
    parts.map((id) => {
      const areas = places
        .filter(({ part }) => part === id)
        .map(({ code }) => code)
        .join(', ');
      return plan.parts.length > 1 ? phrase`${plan.parts.find((part) => part.id === id)?.name ?? id} ${areas}` : areas;
    }),
    '; ',
  );
}

/** Finish that was on the first place of a task before this stage; null: what was there at the start. */
function pairOf({ places }: PrepareTask, stage: StagePlan, plan: Plan): string | null {
  const [place] = places;
  const last = plan.stages
    .slice(0, stage.number - 1)
    .findLast(({ pictures }) =>
      pictures.some(
        ({ part, areas }) => part === place?.part && areas.some(({ code, open }) => code === place.code && open),
      ),
    );
  return last?.finish ?? null;
}

/** The areas of a part that a person may have open or covered in a stage. */
export const freeAreas = (plan: Plan, stage: StagePlan, part: PartPlan) =>
  part.areas.filter(({ finish }) => {
    const ownStage = plan.stages.find((other) => other.finish === finish)?.number;
    return finish !== null && ownStage !== undefined && ownStage > stage.number && stage.layer === 'finish';
  });

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
  paint: { gap: space.small, alignItems: 'flex-start' },
  task: {
    gap: space.tight,
    alignItems: 'flex-start',
    borderLeftWidth: 3,
    borderLeftColor: colour.caution,
    paddingLeft: space.small,
  },
  shrink: { flexShrink: 1 },
  rungs: { flexDirection: 'row', flexWrap: 'wrap', gap: space.tight, alignItems: 'flex-start' },
  rung: { alignItems: 'center', padding: space.hair, borderBottomWidth: 2, borderBottomColor: 'transparent' },
  planned: { borderBottomColor: colour.calm },
});
