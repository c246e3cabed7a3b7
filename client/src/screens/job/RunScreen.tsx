import {
  currentWindow,
  attendedSteps,
  boothState,
  FEELS,
  currentStep,
  windowInAir,
  stepOfEntry,
  PULLS,
  windowState,
  type Feel,
  type PullResult,
  type Observed,
} from '@lintrel/core';
import { phrase, countPhrase } from '@lintrel/words';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useAir } from '@/clock/useAir';
import { BoothButton } from '@/run/BoothButton';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { PendingEntries } from '@/run/PendingEntries';
import { Photo } from '@/run/Photo';
import { StepLayout } from '@/job/StepLayout';
import { useWorkSheet, type WorkSheet } from '@/run/useWorkSheet';
import { useIsAllowed } from '@/people/who';
import { Ask } from '@/run/Ask';
import { CoatLog } from '@/run/CoatLog';
import { CurrentStep } from '@/run/CurrentStep';
import { FarView } from '@/run/FarView';
import { HeatLog } from '@/run/HeatLog';
import { LaterWindows } from '@/run/LaterWindows';
import { useLook } from '@/run/look';
import { MixTogether } from '@/run/MixTogether';
import { askForPhoto, asKept } from '@/run/photo';
import { FEEL_WORDS, PULL_WORDS } from '@/sync/observedWords';
import { boothWords } from '@/clock/boothWords';
import { usePresence } from '@/api/presence';
import { ShadeProvider, useShade } from '@/run/shade';
import { ASIDE_HEIGHT, mainAction, RunFooter } from '@/run/RunFooter';
import { StepPicture } from '@/run/StepPicture';
import { useAwake } from '@/run/useAwake';
import { useRest } from '@/run/useRest';
import { useLow, useWide } from '@/theme/useWide';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Waiting } from '@/ui/Screen';
import { useNow } from '@/ui/useNow';
import { Body, Heading, Small } from '@/ui/Typography';
import { Text } from '@/ui/Text';
import { useWords } from '@/person/PersonContext';

/** Run: one thing at a time, very large. */
export function RunScreen() {
  const { id, plan } = useJob();
  const sheet = useWorkSheet(id);
  if (sheet.loading || sheet.error)
    return (
      <StepLayout>
        <Waiting what="the run sheet" error={sheet.error} retry={<Action label="Try again" onPress={sheet.retry} />} />
        {sheet.error && sheet.unsent > 0 ? (
          <Body>
            {sheet.unkept
              ? phrase`${countPhrase(sheet.unsent, 'entry is', 'entries are')} on this page alone: leave it open until the server is back.`
              : phrase`${countPhrase(sheet.unsent, 'entry is', 'entries are')} kept on this device, and sent when the server is back.`}
          </Body>
        ) : null}
      </StepLayout>
    );
  if (sheet.plan)
    return (
      <ShadeProvider>
        <Running sheet={sheet} />
      </ShadeProvider>
    );
  if (!plan || plan.steps.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  return <BeforeStart sheet={sheet} />;
}

function BeforeStart({ sheet }: { sheet: WorkSheet }) {
  const { plan, planning, planError, revision, saved, shelf } = useJob();
  const { say, caution, follow } = useWords();
  const mayStart = useIsAllowed()('plan');
  if (!plan) return null;
  const toDo = attendedSteps(plan.steps);
  const blocking = plan.advice.filter(({ level }) => level === 'stop');
  return (
    <StepLayout
      action={
        <Action
          rank="main"
          // The plan on screen is the one that gets frozen: starting waits for the plan of the newest design.
          label={
            !mayStart
              ? 'Painters and owners start it'
              : planning && !planError
                ? 'Working out the newest plan …'
                : 'Start in the shop'
          }
          busy={sheet.busy}
          disabled={!mayStart || saved.kind !== 'saved' || planning}
          onPress={() => sheet.start(revision, shelf)}
          testID="start"
        />
      }
    >
      <Panel>
        <Heading>{phrase`${countPhrase(toDo.length, 'step')} in ${countPhrase(plan.stages.length, 'stage')}`}</Heading>
        <Body>Starting freezes this plan with its log: what you change later does not change under your hands.</Body>
        {sheet.trouble ? <Notice level="stop" text={sheet.trouble} /> : null}
        {blocking.map((advice) => (
          <Notice key={say(advice)} level={advice.level} text={say(advice)} />
        ))}
      </Panel>
      <Panel>
        {toDo.map((step) => (
          <View key={step.id}>
            <Small tone="ink">{step.stage === null ? say(step.say) : phrase`${step.stage}. ${say(step.say)}`}</Small>
            {step.safety.map((code) => (
              <Notice key={code} level="caution" text={caution(code)} />
            ))}
          </View>
        ))}
        {plan.safety.length > 0 ? <Small>{follow}</Small> : null}
      </Panel>
    </StepLayout>
  );
}

function Running({ sheet }: { sheet: WorkSheet }) {
  const look = useLook();
  const { id, revision, shelf, plan: designPlan } = useJob();
  const now = useNow();
  const awake = useAwake();
  const [far, setFar] = useState(false);
  const [wide, low] = [useWide(), useLow()];
  const side = wide || low;
  const [resting, rest] = useRest();
  const { name: lit, change: light } = useShade();
  const [noPicture, setNoPicture] = useState(false);
  const [asking, setAsking] = useState<'trouble' | 'touch' | 'missing' | 'over' | 'pulled' | 'coat' | 'heat' | null>(
    null,
  );
  const { plan } = sheet;
  const { air } = useAir();
  const counted = useMemo(
    () => sheet.progress.running.map((window) => windowInAir(window, air)),
    [sheet.progress, air],
  );
  const running = counted.map((window) => currentWindow(window, now));
  const progress = { ...sheet.progress, running };
  // A coat past its limit is scuffed first, paint past its pot life is mixed again.
  const next = currentStep(progress, plan?.steps ?? [], now);
  const may = useIsAllowed();
  const others = usePresence(id, may('run') ? (next?.id ?? null) : null, now);
  const last = [...progress.doneAt].sort((a, b) => b[1] - a[1])[0];
  const lastStep = stepOfEntry(plan?.steps ?? [], last?.[0] ?? null);
  const { say, caution, follow } = useWords();
  const plugs = next?.kind === 'unplug' ? Number(next.say.values.plugs) : null;
  const total = plan?.toDo.length ?? 0;
  const inBooth = boothState(plan?.steps ?? [], progress.doneAt, next, now);
  const shown = next ?? lastStep ?? null;
  const photos = sheet.events.flatMap(({ step, saw }) =>
    saw?.kind === 'photo' && step === (shown?.id ?? null) ? [saw.photo] : [],
  );
  const photograph = async () => {
    const file = await askForPhoto();
    if (!file) return;
    const photo = await asKept(file);
    setNoPicture(photo === null);
    if (photo) sheet.logPhoto(shown?.id ?? null, photo);
  };
  const early = progress.running.some(
    (window) => window.step === next?.id && windowState(window, now) === 'before' && window.opens !== null,
  );
  const left =
    progress.finishedAt === null ? (plan?.toDo ?? []).filter(({ id: step }) => !progress.doneAt.has(step)) : [];
  const done = () => {
    rest();
    sheet.log('done', next?.id ?? null, '', plugs === null ? undefined : { kind: 'plugs', out: plugs, of: plugs });
    // Questions only a person can answer are asked at once, and may be skipped.
    setAsking(next?.kind === 'pull' ? 'pulled' : null);
  };
  const main =
    !may('run') || asking !== null
      ? null
      : mainAction({
          next,
          plugs,
          early,
          resting,
          finished: progress.finishedAt !== null,
          onDone: done,
          onFinish: () => sheet.log('finish', null),
        });
  const picture =
    next && designPlan && sheet.revision === revision ? (
      <StepPicture key={next.id} plan={designPlan} step={next} />
    ) : null;
  return (
    <View style={look.booth}>
      <ScrollView
        testID="booth"
        style={look.booth}
        contentContainerStyle={[look.content, side && look.wider, low && { paddingBottom: ASIDE_HEIGHT }]}
      >
        {far ? <FarView step={next} running={progress.running} now={now} onLeave={() => setFar(false)} /> : null}
        <View style={side ? look.sides : look.oneUnder}>
          <View style={side ? look.side : look.oneUnder}>
            <Text style={look.quiet}>{phrase`${sheet.doneCount} of ${total} done${standing(sheet)}`}</Text>
            {others.length > 0 ? (
              <Text style={look.caution} role="status" testID="others">
                {phrase`${others.map(({ person, device }) => person ?? device).join(', ')} ${others.length === 1 ? 'is' : 'are'} at this step too`}
              </Text>
            ) : null}
            {inBooth ? (
              <Text style={look.caution} role="status" testID="in-booth">
                {boothWords(inBooth, now)}
              </Text>
            ) : null}
            {sheet.trouble ? (
              <Text role="alert" style={look.warn}>
                {sheet.trouble}
              </Text>
            ) : null}
            {next ? (
              <CurrentStep step={next} running={running} now={now} />
            ) : (
              <Text style={look.title}>
                {progress.finishedAt === null ? 'All steps are done' : 'This job is finished'}
              </Text>
            )}
            {side ? picture : null}
          </View>
          <View style={side ? look.side : look.oneUnder}>
            {!may('run') ? (
              <Text style={look.detail}>You look on: others in this shop work by this sheet.</Text>
            ) : asking === null ? (
              <View style={look.buttons}>
                {next?.kind === 'mix' ? (
                  <MixTogether
                    job={id}
                    step={next}
                    onBoth={({ second, first, mixes }) => {
                      rest();
                      sheet.log('done', next.id, '', { kind: 'mix', with: second, here: true });
                      for (const other of mixes)
                        if (other.job !== id)
                          sheet.logFor(other.job, other.step, { kind: 'mix', with: first, here: false }, other.sheet);
                    }}
                  />
                ) : null}
                {plugs === null ? null : (
                  <BoothButton
                    label={plugs === 1 ? 'It is missing' : 'Not all of them'}
                    onPress={() => setAsking('missing')}
                    testID="missing"
                  />
                )}
                <View style={look.pair}>
                  {next ? (
                    <BoothButton label="Went wrong" onPress={() => setAsking('trouble')} testID="trouble" />
                  ) : null}
                  <BoothButton label="Touch test" onPress={() => setAsking('touch')} testID="touch" />
                  <BoothButton label="Seen from far" onPress={() => setFar(true)} testID="far-view" />
                  <BoothButton
                    label={lit === 'booth' ? 'Light screen' : 'Dark screen'}
                    onPress={() => light(lit === 'booth' ? 'daylight' : 'booth')}
                    testID="shade"
                  />
                  {running.some(({ counts }) => counts) ? (
                    <BoothButton label="Warm it" onPress={() => setAsking('heat')} testID="heat" />
                  ) : null}
                  <BoothButton label="Photo" onPress={() => void photograph()} testID="take-photo" />
                  {lastStep?.kind === 'coat' ? (
                    <BoothButton label="Coat log" onPress={() => setAsking('coat')} testID="coat" />
                  ) : null}
                </View>
                {lastStep && progress.finishedAt === null ? (
                  <BoothButton
                    label={phrase`Not done after all: ${say(lastStep.say)}`}
                    onPress={() => sheet.log('undo', lastStep.id)}
                    testID="undo"
                  />
                ) : null}
              </View>
            ) : asking === 'over' ? (
              <View style={look.buttons}>
                <Text style={look.detail}>
                  Begin again with the plan as it is now? The log so far stays in Look back.
                </Text>
                <BoothButton
                  rank="main"
                  label="Begin again"
                  onPress={() => {
                    sheet.start(revision, shelf);
                    setAsking(null);
                  }}
                />
                <BoothButton label="No" onPress={() => setAsking(null)} />
              </View>
            ) : asking === 'heat' ? (
              <HeatLog
                onCancel={() => setAsking(null)}
                onSay={(saw) => {
                  sheet.log('note', lastStep?.id ?? null, '', saw);
                  setAsking(null);
                }}
              />
            ) : asking === 'coat' ? (
              <CoatLog
                last={lastCoat(sheet.events)}
                onCancel={() => setAsking(null)}
                onSay={(saw) => {
                  sheet.log('note', lastStep?.id ?? null, '', saw);
                  setAsking(null);
                }}
              />
            ) : (
              <Ask
                what={QUESTIONS[asking]}
                resting={resting}
                answers={asking === 'touch' ? FEEL_ANSWERS : asking === 'pulled' ? PULL_ANSWERS : []}
                onCancel={() => setAsking(null)}
                onSay={(note, answer) => {
                  if (asking === 'missing')
                    sheet.log('done', next?.id ?? null, note, { kind: 'plugs', out: null, of: plugs ?? 0 });
                  else if (asking === 'pulled')
                    sheet.log('note', lastStep?.id ?? null, note, { kind: 'pull', result: answer as PullResult });
                  else if (asking === 'touch')
                    sheet.log('touch', lastStep?.id ?? null, note, { kind: 'feel', feel: answer as Feel });
                  else sheet.log(asking, next?.id ?? null, note);
                  setAsking(null);
                }}
              />
            )}
            {noPicture ? (
              <Text role="alert" style={look.warn}>
                This file is no picture that can be read here. Nothing was kept of it.
              </Text>
            ) : null}
            {photos.length > 0 ? (
              <View style={look.pair} testID="photos">
                {photos.map((photo, index) => (
                  <Photo key={photo} job={id} photo={photo} label={phrase`Photo ${index + 1} of this step`} inRun />
                ))}
              </View>
            ) : null}
            <PendingEntries sheet={sheet} />
            {side ? null : picture}
          </View>
        </View>
        <LaterWindows running={progress.running.filter(({ step }) => step !== next?.id)} now={now} />
        {(plan?.safety ?? [])
          .filter((code) => !next?.safety.includes(code))
          .map((code) => (
            <Text key={code} style={look.quiet}>
              {caution(code)}
            </Text>
          ))}
        {plan && plan.safety.length > 0 ? <Text style={look.quiet}>{follow}</Text> : null}
        <Text style={look.quiet}>
          Keep the phone outside while there is vapour about: it can be read through the booth window.
        </Text>
        <Text style={look.quiet}>
          {awake === 'on'
            ? 'The screen stays on while this is open.'
            : 'The screen may go dark by itself: this browser does not let it stay on.'}
        </Text>
        {sheet.revision !== revision ? (
          <Text
            style={look.quiet}
          >{phrase`Started from revision ${sheet.revision}; the design is at ${revision} now.`}</Text>
        ) : null}
        {asking === null && may('plan') ? (
          <BoothButton
            label={sheet.revision === revision ? 'Begin again' : 'Begin again with the present plan'}
            onPress={() => setAsking('over')}
            testID="again"
          />
        ) : null}
      </ScrollView>
      {far ? null : <RunFooter left={left} main={main} />}
    </View>
  );
}

/** Questions of a log entry. */
const QUESTIONS = {
  trouble: 'What went wrong, and where?',
  touch: 'How does it feel?',
  pulled: 'How did the tape come off?',
  missing: 'How many came out, and where may the rest be? The step is done once that is written down.',
} as const;

const FEEL_ANSWERS = FEELS.map((value) => ({ value, label: FEEL_WORDS[value] }));
const PULL_ANSWERS = PULLS.map((value) => ({ value, label: PULL_WORDS[value] }));

/** How the last coat was sprayed that was logged; null: none was. */
function lastCoat(events: WorkSheet['events']): Extract<Observed, { kind: 'coat' }> | null {
  for (const { saw } of [...events].reverse()) if (saw?.kind === 'coat') return saw;
  return null;
}

/**
 * Status of the entries, in a line that is always there; what appears and disappears is below the buttons and moves
 * none of them.
 */
function standing({ waiting, refused, unkept }: WorkSheet): string {
  if (refused.length > 0) return phrase` · ${refused.length} not taken, see below`;
  if (waiting.length === 0) return '';
  return unkept
    ? phrase` · no connection, ${waiting.length} on this page alone`
    : phrase` · no connection, ${waiting.length} kept here`;
}
