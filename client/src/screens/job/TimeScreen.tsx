import {
  messageWithoutValues,
  type Plan,
  PULL_TIMINGS,
  type PullTiming,
  showMinutes,
  type Span,
  type StagePlan,
  type Step,
  withChoices,
} from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { type Band, Rail } from '@/clock/Rail';
import { ticksIn, tickStep } from '@/clock/ticks';
import { WhenDone } from '@/clock/WhenDone';
import { Curve, edgeCurve } from '@/drawing/charts';
import { BackToWork } from '@/job/BackToWork';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { PULL_TIMING_WORDS } from '@/words';

/** Time: the stages one after the other, with the three pull windows of each. */
export function TimeScreen() {
  const { id, design, plan } = useJob();
  const words = useWords();
  if (design.parts.length === 0 || !plan) return <StepGuard waiting="Working out the times …" />;
  if (plan.stages.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  const { endMin: end, workMin: work } = plan.orders.find(({ chosen }) => chosen) ?? { endMin: 0, workMin: 0 };
  const { airC, rhPercent, left } = design.climate;
  return (
    <StepLayout>
      <Panel>
        <View style={styles.figures}>
          <Figure large label="From start to end (estimate)" value={showMinutes(end)} />
          <Figure large label="of it work (estimate)" value={showMinutes(work)} />
        </View>
        <Body>{phrase`Counted for today's air, ${words.temperature(airC, 1)} and ${rhPercent} %, as if someone were there all the time.`}</Body>
        {left ? (
          <Body>{phrase`Left to dry elsewhere, in ${words.temperature(left.airC, 1)} and ${left.rhPercent} %: what is measured in the shop does not count there.`}</Body>
        ) : null}
        <Action label="Change the air" onPress={() => router.push(`/job/${id}/piece` as Href)} />
        <PullChoices plan={plan} />
        <Small>A single line may be pulled earlier or later than the rest: choose it at its tape.</Small>
        <Action
          rank="quiet"
          label="To the tapes"
          onPress={() => router.push(`/job/${id}/tape` as Href)}
          testID="time-to-tape"
        />
      </Panel>
      <WholeJob plan={plan} endMin={end} />
      <WhenDone job={id} />
      {plan.stages
        .filter(({ windows }) => windows !== null)
        .map((stage) => (
          <StageWindows
            key={stage.number}
            stage={stage}
            pulls={plan.steps.filter((step) => step.kind === 'pull' && step.stage === stage.number)}
          />
        ))}
      <BackToWork />
    </StepLayout>
  );
}

/** When the tape is pulled, and by how many hands. */
function PullChoices({ plan }: { plan: Plan }) {
  const { design, change } = useJob();
  return (
    <>
      <Choice<PullTiming | 'own'>
        label="When to pull"
        value={design.choices.school ?? 'own'}
        options={[
          { value: 'own', label: 'As each finish likes' },
          ...PULL_TIMINGS.map((value) => ({ value, label: PULL_TIMING_WORDS[value] })),
        ]}
        onChange={(value) =>
          void change(
            (now) => withChoices(now, { school: value === 'own' ? null : value }),
            messageWithoutValues('edit.rule'),
          )
        }
      />
      {design.choices.alone || plan.stages.some(({ hands, alone }) => hands > 1 || alone !== null) ? (
        <Choice<'many' | 'one'>
          label="Who pulls where one person has not the time for all of it"
          value={design.choices.alone ? 'one' : 'many'}
          options={[
            { value: 'many', label: 'As many as it takes' },
            { value: 'one', label: 'One person, in sections' },
          ]}
          onChange={(value) =>
            void change(
              (now) => withChoices(now, { alone: value === 'one' ? true : undefined }),
              messageWithoutValues('edit.rule'),
            )
          }
        />
      ) : null}
    </>
  );
}

/** Work and waiting of the whole job, stage by stage. */
function WholeJob({ plan, endMin }: { plan: Plan; endMin: number }) {
  const { shelf } = useJob();
  const words = useWords();
  return (
    <Panel>
      <Heading>The whole job</Heading>
      <Rail
        from={0}
        to={endMin}
        now={null}
        ticks={minuteTicks(endMin)}
        bands={[null, ...plan.stages].map((stage): Band => {
          const pieces = piecesOf(
            plan.steps.filter((step) => step.stage === (stage?.number ?? null) && step.endMin > step.startMin),
          );
          return {
            key: String(stage?.number ?? 'before'),
            label: stage
              ? phrase`Stage ${stage.number}: ${shelf.finishes.find(({ id: own }) => own === stage.finish)?.name ?? stage.finish}`
              : 'Before any tape: wash, abrade',
            pieces: pieces.map(({ from, to, attended }) => ({ from, to, tone: attended ? 'work' : 'wait' })),
            words: phrases(
              pieces.map(
                ({ first, from, to, attended }) =>
                  phrase`${attended ? 'work' : words.say(first.say).toLowerCase()} ${words.minutes(to - from)}`,
              ),
              ' · ',
            ),
          };
        })}
      />
    </Panel>
  );
}

/** Steps that follow each other with work, or with waiting, as one piece of the rail. */
function piecesOf(steps: readonly Step[]) {
  const pieces: { from: number; to: number; attended: boolean; first: Step }[] = [];
  for (const step of steps) {
    const last = pieces[pieces.length - 1];
    if (last && last.attended === step.attended) last.to = step.endMin;
    else pieces.push({ from: step.startMin, to: step.endMin, attended: step.attended, first: step });
  }
  return pieces;
}

/** The three windows of one stage, minutes after its last coat. */
function StageWindows({ stage, pulls }: { stage: StagePlan; pulls: readonly Step[] }) {
  const { say, detail } = useWords();
  const { shelf } = useJob();
  const { windows } = stage;
  if (!windows) return null;
  const spans = PULL_TIMINGS.flatMap((school): { school: PullTiming; span: Span }[] =>
    windows[school] ? [{ school, span: windows[school] as Span }] : [],
  );
  // The dry window lasts for days: the rail ends soon after it opens, or the others would be invisible.
  const end =
    1.3 * Math.max(...spans.map(({ school, span }) => (school === 'dry' ? span.from : (span.to ?? span.from))));
  const planned = [...(stage.early ?? []), stage].map((pull) => pull.school);
  const name = shelf.finishes.find(({ id }) => id === stage.finish)?.name ?? stage.finish;
  return (
    <Panel>
      <Heading>{phrase`Stage ${stage.number}: pull after ${name}`}</Heading>
      <Small>
        Time after the last coat (estimate). Between wet and touch-dry do not pull: the film strings. Between touch-dry
        and dry pull slowly, it may tear.
      </Small>
      <Rail
        from={0}
        to={end}
        now={null}
        ticks={minuteTicks(end)}
        bands={spans.map(({ school, span }) => ({
          key: school,
          label: phrase`${PULL_TIMING_WORDS[school]}${planned.includes(school) ? ' (planned)' : ''}`,
          words: phrase`${showMinutes(span.from)} to ${span.to === null ? 'any time' : showMinutes(span.to)}`,
          pieces: [{ from: span.from, to: span.to, tone: planned.includes(school) ? 'chosen' : 'window' }],
        }))}
      />
      {spans.some(({ span }) => span.to === null || span.to > end) ? (
        <Small>
          {phrase`The picture ends at ${showMinutes(Math.round(end))}. Longer goes on: ${phrases(
            spans
              .filter(({ span }) => span.to === null || span.to > end)
              .map(
                ({ school, span }) =>
                  phrase`${PULL_TIMING_WORDS[school]} ${span.to === null ? 'without an end' : phrase`to ${showMinutes(span.to)}`}`,
              ),
            ', ',
          )}.`}
        </Small>
      ) : null}
      <Suspense fallback={<Small>Drawing the edge …</Small>}>
        <Curve {...edgeCurve(windows, stage.buildUm, Math.max(...spans.map(({ span }) => span.to ?? Infinity)), end)} />
      </Suspense>
      {stage.sections ? <Turns stage={stage} /> : null}
      {pulls.length === 0 ? <Body>The masks stay on for the next stage, and come off with its own.</Body> : null}
      {(stage.sections ? [] : pulls).map((pull) => (
        <Body key={pull.id}>{pulls.length > 1 ? phrase`${say(pull.say)}. ${detail(pull.say)}` : detail(pull.say)}</Body>
      ))}
      {windows.tapeSafeMin === null ? null : (
        <Body>{phrase`Takes tape after ${showMinutes(windows.tapeSafeMin)}.`}</Body>
      )}
    </Panel>
  );
}

/** The last coat and its pulls in turns, as one person does them, minutes from its start. */
function Turns({ stage }: { stage: StagePlan }) {
  const { say } = useWords();
  const { plan } = useJob();
  const steps =
    plan?.steps.filter((step) => step.stage === stage.number && (step.kind === 'coat' || step.kind === 'pull')) ?? [];
  const turns = steps.filter(({ say: said }) => said.code === 'step.pull' || said.values.sections !== undefined);
  const begun = turns[0]?.startMin ?? 0;
  return (
    <>
      <Small>
        The last coat in sections, and the pulls between them, for one person. Minutes from the start of that coat
        (estimate).
      </Small>
      {turns.map((turn) => (
        <Body key={turn.id}>{phrase`${showMinutes(turn.startMin - begun)}: ${say(turn.say)}`}</Body>
      ))}
    </>
  );
}

const minuteTicks = (end: number) =>
  ticksIn(0, end, tickStep(end, 5)).map((tick) => ({ at: tick, label: showMinutes(tick) }));

const styles = StyleSheet.create({ figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.wide } });
