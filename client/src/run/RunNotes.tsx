import { phrase } from '@lintrel/words';
import { useJob } from '@/job/JobContext';
import { useIsAllowed } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { Text } from '@/ui/Text';
import { BoothButton } from './BoothButton';
import { useLook } from './look';
import { useAwake } from './useAwake';
import type { Running } from './useRunning';
import type { WorkSheet } from './useWorkSheet';

interface RunNotesProps {
  readonly sheet: WorkSheet;
  readonly running: Running;
  /** Null: a question stands, or the person may not begin again. */
  readonly onBeginAgain: (() => void) | null;
}

/** Cautions and what to know of the sheet, under everything else. */
export function RunNotes({ sheet, running, onBeginAgain }: RunNotesProps) {
  const look = useLook();
  const { revision } = useJob();
  const awake = useAwake();
  const may = useIsAllowed();
  const { caution, follow } = useWords();
  const { plan } = sheet;
  return (
    <>
      {(plan?.safety ?? [])
        .filter((code) => !running.next?.safety.includes(code))
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
      {onBeginAgain && may('plan') ? (
        <BoothButton
          label={sheet.revision === revision ? 'Begin again' : 'Begin again with the present plan'}
          onPress={onBeginAgain}
          testID="again"
        />
      ) : null}
    </>
  );
}
