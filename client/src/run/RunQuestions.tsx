import { type Feel, FEELS, type Observed, type PullResult, PULLS } from '@lintrel/core';
import { View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { FEEL_WORDS, PULL_WORDS } from '@/sync/observedWords';
import { Text } from '@/ui/Text';
import { Ask } from './Ask';
import { BoothButton } from './BoothButton';
import { CoatLog } from './CoatLog';
import { HeatLog } from './HeatLog';
import { useLook } from './look';
import type { Running } from './useRunning';
import type { WorkSheet } from './useWorkSheet';

/** A question that stands in place of the buttons until it is answered. */
export type RunQuestion = 'trouble' | 'touch' | 'missing' | 'over' | 'pulled' | 'coat' | 'heat';

interface RunQuestionsProps {
  readonly question: RunQuestion;
  readonly sheet: WorkSheet;
  readonly running: Running;
  /** A button was pressed a moment ago. */
  readonly resting: boolean;
  readonly onClose: () => void;
}

/** The question that stands now. */
export function RunQuestions({ question, sheet, running, resting, onClose }: RunQuestionsProps) {
  const { last } = running;
  const logNote = (saw: Observed) => {
    sheet.log('note', last?.id ?? null, '', saw);
    onClose();
  };
  if (question === 'over') return <BeginAgain sheet={sheet} onClose={onClose} />;
  if (question === 'heat') return <HeatLog onCancel={onClose} onSay={logNote} />;
  if (question === 'coat') return <CoatLog last={lastCoat(sheet.events)} onCancel={onClose} onSay={logNote} />;
  return (
    <Ask
      what={QUESTIONS[question]}
      resting={resting}
      answers={question === 'touch' ? FEEL_ANSWERS : question === 'pulled' ? PULL_ANSWERS : []}
      onCancel={onClose}
      onSay={(note, answer) => {
        logAnswer(sheet, running, question, note, answer);
        onClose();
      }}
    />
  );
}

/** Writes an answer into the log, at the step it is about. */
function logAnswer(
  sheet: WorkSheet,
  { next, last, plugs }: Running,
  question: keyof typeof QUESTIONS,
  note: string,
  answer: string | null,
): void {
  if (question === 'missing') sheet.log('done', next?.id ?? null, note, { kind: 'plugs', out: null, of: plugs ?? 0 });
  else if (question === 'pulled')
    sheet.log('note', last?.id ?? null, note, { kind: 'pull', result: answer as PullResult });
  else if (question === 'touch') sheet.log('touch', last?.id ?? null, note, { kind: 'feel', feel: answer as Feel });
  else sheet.log(question, next?.id ?? null, note);
}

function BeginAgain({ sheet, onClose }: { readonly sheet: WorkSheet; readonly onClose: () => void }) {
  const look = useLook();
  const { revision, shelf } = useJob();
  return (
    <View style={look.buttons}>
      <Text style={look.detail}>Begin again with the plan as it is now? The log so far stays in Look back.</Text>
      <BoothButton
        rank="main"
        label="Begin again"
        onPress={() => {
          sheet.start(revision, shelf);
          onClose();
        }}
      />
      <BoothButton label="No" onPress={onClose} />
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
