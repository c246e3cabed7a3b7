import { attendedSteps, windowState, type RunningWindow, type Step } from '@lintrel/core';
import { phrase, several } from '@lintrel/words';
import { useState } from 'react';
import { ScrollView, StyleSheet, TextInput, View } from 'react-native';
import { spanWords } from '@/clock/span';
import { BoothButton } from '@/job/BoothButton';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { PendingEntries } from '@/job/PendingEntries';
import { StepLayout } from '@/job/StepLayout';
import { useRunSheet, type RunSheet } from '@/job/useRunSheet';
import { booth, font, measure, size, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Sheet, Waiting } from '@/ui/Screen';
import { useNow } from '@/ui/useNow';
import { Body, Heading, Small } from '@/ui/Words';
import { clockTime, countdown } from '@/words';
import { Text } from '@/ui/Text';
import { useWords } from '@/person/PersonContext';

/** Run: one thing at a time, very large. */
export default function RunScreen() {
  const { id, plan } = useJob();
  const sheet = useRunSheet(id);
  if (sheet.loading || sheet.error)
    return (
      <StepLayout>
        <Waiting what="the run sheet" error={sheet.error} retry={<Action label="Try again" onPress={sheet.retry} />} />
        {sheet.error && sheet.unsent > 0 ? (
          <Body>{phrase`${several(sheet.unsent, 'entry is', 'entries are')} kept on this device, and sent when the server is back.`}</Body>
        ) : null}
      </StepLayout>
    );
  if (sheet.plan) return <Running sheet={sheet} />;
  if (!plan || plan.steps.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  return <BeforeStart sheet={sheet} />;
}

function BeforeStart({ sheet }: { sheet: RunSheet }) {
  const { plan, revision, saved } = useJob();
  const { say, caution, follow } = useWords();
  if (!plan) return null;
  const toDo = attendedSteps(plan.steps);
  const blocking = plan.advice.filter(({ level }) => level === 'stop');
  return (
    <StepLayout
      action={
        <Action
          rank="main"
          label="Start in the shop"
          busy={sheet.busy}
          disabled={saved.kind !== 'saved'}
          onPress={() => sheet.start(revision)}
          testID="start"
        />
      }
    >
      <Sheet>
        <Heading>{phrase`${several(toDo.length, 'step')} in ${several(plan.stages.length, 'stage')}`}</Heading>
        <Body>Starting freezes this plan with its log: what you change later does not change under your hands.</Body>
        {sheet.trouble ? <Notice level="stop" text={sheet.trouble} /> : null}
        {blocking.map((one) => (
          <Notice key={say(one)} level={one.level} text={say(one)} />
        ))}
      </Sheet>
      <Sheet>
        {toDo.map((step) => (
          <View key={step.id}>
            <Small tone="ink">{step.stage === null ? say(step.say) : phrase`${step.stage}. ${say(step.say)}`}</Small>
            {step.safety.map((code) => (
              <Notice key={code} level="caution" text={caution(code)} />
            ))}
          </View>
        ))}
        {plan.safety.length > 0 ? <Small>{follow}</Small> : null}
      </Sheet>
    </StepLayout>
  );
}

function Running({ sheet }: { sheet: RunSheet }) {
  const { revision } = useJob();
  const now = useNow();
  const [resting, rest] = useRest();
  const [asking, setAsking] = useState<'trouble' | 'touch' | 'over' | null>(null);
  const { progress, plan } = sheet;
  const { next } = progress;
  const last = [...progress.doneAt].sort((a, b) => b[1] - a[1])[0];
  const lastStep = plan?.steps.find(({ id }) => id === last?.[0]);
  const { say, caution, follow } = useWords();
  const total = plan?.toDo.length ?? 0;
  const early = progress.running.some((window) => window.step === next?.id && windowState(window, now) === 'before' && window.opens !== null);
  return (
    <ScrollView testID="booth" style={styles.booth} contentContainerStyle={styles.content}>
      <Text style={styles.quiet}>{phrase`${progress.doneAt.size} of ${total} done${standing(sheet)}`}</Text>
      {sheet.trouble ? (
        <Text role="alert" style={styles.warn}>
          {sheet.trouble}
        </Text>
      ) : null}
      {next ? (
        <Current step={next} running={progress.running} now={now} />
      ) : (
        <Text style={styles.title}>{progress.finishedAt === null ? 'All steps are done' : 'This job is finished'}</Text>
      )}
      {asking === null ? (
        <View style={styles.buttons}>
          {next ? (
            <BoothButton
              rank={early ? 'calm' : 'main'}
              label="Done"
              disabled={resting || sheet.busy}
              onPress={() => {
                rest();
                sheet.log('done', next.id);
              }}
              testID="done"
            />
          ) : null}
          {!next && progress.finishedAt === null ? (
            <BoothButton rank="main" label="Finish the job" onPress={() => sheet.log('finish', null)} testID="finish" />
          ) : null}
          <View style={styles.pair}>
            {next ? <BoothButton label="Went wrong" onPress={() => setAsking('trouble')} testID="trouble" /> : null}
            <BoothButton label="Touch test" onPress={() => setAsking('touch')} testID="touch" />
          </View>
          {lastStep && progress.finishedAt === null ? (
            <BoothButton label={phrase`Not done after all: ${say(lastStep.say)}`} onPress={() => sheet.log('undo', lastStep.id)} testID="undo" />
          ) : null}
        </View>
      ) : asking === 'over' ? (
        <View style={styles.buttons}>
          <Text style={styles.detail}>Begin again with the plan as it is now? The log so far stays in Look back.</Text>
          <BoothButton
            rank="main"
            label="Begin again"
            onPress={() => {
              sheet.start(revision);
              setAsking(null);
            }}
          />
          <BoothButton label="No" onPress={() => setAsking(null)} />
        </View>
      ) : (
        <Ask
          what={asking === 'trouble' ? 'What went wrong, and where?' : 'How does it feel?'}
          feels={asking === 'touch' ? FEELS : []}
          onCancel={() => setAsking(null)}
          onSay={(note) => {
            sheet.log(asking, (asking === 'touch' ? lastStep : next)?.id ?? null, note);
            setAsking(null);
          }}
        />
      )}
      <PendingEntries sheet={sheet} />
      <OtherWindows running={progress.running.filter(({ step }) => step !== next?.id)} now={now} />
      {(plan?.safety ?? [])
        .filter((code) => !next?.safety.includes(code))
        .map((code) => (
          <Text key={code} style={styles.quiet}>
            {caution(code)}
          </Text>
        ))}
      {plan && plan.safety.length > 0 ? <Text style={styles.quiet}>{follow}</Text> : null}
      <Text style={styles.quiet}>Keep the phone outside while there is vapour about: it can be read through the booth window.</Text>
      {sheet.revision !== revision ? (
        <Text style={styles.quiet}>{phrase`Started from revision ${sheet.revision}; the design is at ${revision} now.`}</Text>
      ) : null}
      {asking === null ? (
        <BoothButton
          label={sheet.revision === revision ? 'Begin again' : 'Begin again with the present plan'}
          onPress={() => setAsking('over')}
          testID="again"
        />
      ) : null}
    </ScrollView>
  );
}

/** How the entries stand, in the line that is always there: what comes and goes stands below the buttons and moves none of them. */
function standing({ waiting, refused }: RunSheet): string {
  if (refused.length > 0) return phrase` · ${refused.length} not taken, see below`;
  return waiting.length > 0 ? phrase` · no connection, ${waiting.length} kept here` : '';
}

/** A gloved finger often taps twice: the second tap is not meant for the next step. */
const REST_MS = 700;

function useRest(): [resting: boolean, rest: () => void] {
  const [resting, setResting] = useState(false);
  const rest = () => {
    setResting(true);
    setTimeout(() => setResting(false), REST_MS);
  };
  return [resting, rest];
}

function Current({ step, running, now }: { step: Step; running: readonly RunningWindow[]; now: number }) {
  const { say, detail, caution } = useWords();
  const windows = running.filter((window) => window.step === step.id);
  return (
    <View style={styles.current} testID="current">
      <Text role="heading" aria-level={2} style={styles.title}>
        {say(step.say)}
      </Text>
      <Text style={styles.detail}>{detail(step.say)}</Text>
      {step.safety.map((code) => (
        <Text key={code} style={styles.warn} testID="caution">
          {caution(code)}
        </Text>
      ))}
      {windows.map((window) => (
        <Countdown key={`${window.code}${window.opens}`} window={window} now={now} />
      ))}
    </View>
  );
}

/** Time to the opening of a window, or to its close; very large. */
function Countdown({ window, now }: { window: RunningWindow; now: number }) {
  const what = useWords().time(window.code);
  const state = windowState(window, now);
  const closing = window.closes === null ? '' : phrase` · closes ${clockTime(window.closes, now)}`;
  if (state === 'before' && window.opens === null)
    return <Text style={styles.quiet}>{phrase`Later: ${what}, by ${clockTime(window.closes ?? now, now)} at the latest (estimate)`}</Text>;
  if (state === 'before' && window.opens !== null) {
    return (
      <View>
        <Text style={styles.label}>{phrase`Not yet: ${what} in`}</Text>
        <Text style={styles.countdown} testID="countdown">
          {countdown(window.opens - now)}
        </Text>
        <Text style={styles.quiet}>{phrase`opens ${clockTime(window.opens, now)}${closing} (estimate)`}</Text>
      </View>
    );
  }
  if (state === 'passed')
    return (
      <Text role="alert" style={styles.warn}>{phrase`Passed: ${what} closed at ${clockTime(window.closes ?? now, now)}. Test in a hidden place first.`}</Text>
    );
  return (
    <View>
      <Text style={styles.warn}>{phrase`Open now: ${what}`}</Text>
      {window.closes !== null ? (
        <Text style={styles.countdown} testID="countdown">
          {countdown(window.closes - now)}
        </Text>
      ) : null}
      <Text style={styles.quiet}>{window.closes === null ? 'no end' : phrase`left, until ${clockTime(window.closes, now)} (estimate)`}</Text>
    </View>
  );
}

function OtherWindows({ running, now }: { running: readonly RunningWindow[]; now: number }) {
  const { say, time } = useWords();
  if (running.length === 0) return null;
  return (
    <View style={styles.others}>
      <Text style={styles.label}>Later</Text>
      {running.map((window) => (
        <Text
          key={`${window.step}${window.code}${window.opens}`}
          style={styles.quiet}
        >{phrase`${say(window.say)}: ${time(window.code)} ${spanWords(window, now)}`}</Text>
      ))}
    </View>
  );
}

/** How paint feels to a finger, from wet to dry. */
const FEELS = ['Wet', 'Tacky', 'Marks', 'Dry'] as const;

/** What is written down: a word that is pressed, with a note where there is one; or a note alone. */
function Ask({ what, feels, onSay, onCancel }: { what: string; feels: readonly string[]; onSay: (note: string) => void; onCancel: () => void }) {
  const { text } = useWords();
  const [note, setNote] = useState('');
  const written = note.trim();
  return (
    <View style={styles.buttons}>
      <Text style={styles.label}>{what}</Text>
      {feels.length > 0 ? (
        <View style={styles.pair}>
          {feels.map((feel) => (
            <BoothButton
              key={feel}
              label={feel}
              onPress={() => onSay(written ? `${text(feel)}. ${written}` : text(feel))}
              testID={`feels-${feel.toLowerCase()}`}
            />
          ))}
        </View>
      ) : null}
      <TextInput
        style={styles.input}
        value={note}
        onChangeText={setNote}
        multiline
        maxLength={MOST_TYPED}
        accessibilityLabel={text(feels.length > 0 ? 'Note' : what)}
        placeholder={feels.length > 0 ? text('Note, if there is one') : undefined}
        placeholderTextColor={booth.quiet}
        testID="note"
      />
      {feels.length > 0 ? null : <BoothButton rank="main" label="Write it down" disabled={written === ''} onPress={() => onSay(written)} testID="say" />}
      <BoothButton label="Never mind" onPress={onCancel} />
    </View>
  );
}

/** Letters a note from the booth may have. */
const MOST_TYPED = 4000;

const styles = StyleSheet.create({
  booth: { flex: 1, backgroundColor: booth.ground },
  content: { padding: space.base, gap: space.base, width: '100%', maxWidth: 2 * measure.panel, alignSelf: 'center' },
  current: { gap: space.middle },
  title: { fontFamily: font.heading, fontSize: size.figure, lineHeight: size.figure * 1.1, color: booth.ink },
  detail: { fontFamily: font.body, fontSize: size.title, lineHeight: size.title * 1.35, color: booth.ink },
  label: { fontFamily: font.heading, fontSize: size.large, color: booth.ink },
  countdown: { fontFamily: font.heading, fontSize: size.countdown, lineHeight: size.countdown * 1.1, color: booth.ink, fontVariant: ['tabular-nums'] },
  warn: { fontFamily: font.heading, fontSize: size.title, color: booth.accent },
  quiet: { fontFamily: font.label, fontSize: size.base, lineHeight: size.base * 1.4, color: booth.quiet },
  buttons: { gap: space.middle },
  pair: { flexDirection: 'row', gap: space.middle },
  others: { gap: space.tight, borderTopWidth: measure.hairline, borderTopColor: booth.hairline, paddingTop: space.middle },
  input: {
    minHeight: 2 * measure.runTarget,
    padding: space.middle,
    fontFamily: font.body,
    fontSize: size.large,
    color: booth.ink,
    backgroundColor: booth.sheet,
    borderWidth: measure.hairline,
    borderColor: booth.quiet,
    borderRadius: measure.corner,
  },
});
