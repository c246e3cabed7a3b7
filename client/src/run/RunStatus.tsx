import { phrase } from '@lintrel/words';
import { usePresence } from '@/api/presence';
import { boothWords } from '@/clock/boothWords';
import { useJob } from '@/job/JobContext';
import { useIsAllowed } from '@/people/who';
import { Text } from '@/ui/Text';
import { CurrentStep } from './CurrentStep';
import { useLook } from './look';
import type { Running } from './useRunning';
import type { WorkSheet } from './useWorkSheet';

/** How far the sheet is, who else is at it, and the step to do now. */
export function RunStatus({ sheet, running }: { readonly sheet: WorkSheet; readonly running: Running }) {
  const look = useLook();
  const { id } = useJob();
  const may = useIsAllowed();
  const { next, now, inBooth, finished } = running;
  const others = usePresence(id, may('run') ? (next?.id ?? null) : null, now);
  return (
    <>
      <Text
        style={look.quiet}
      >{phrase`${sheet.doneCount} of ${sheet.plan?.toDo.length ?? 0} done${entriesStatus(sheet)}`}</Text>
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
        <CurrentStep step={next} running={running.windows} now={now} />
      ) : (
        <Text style={look.title}>{finished ? 'This job is finished' : 'All steps are done'}</Text>
      )}
    </>
  );
}

/**
 * Status of the entries, in a line that is always there; what appears and disappears is below the buttons and moves
 * none of them.
 */
function entriesStatus({ waiting, refused, unkept }: WorkSheet): string {
  if (refused.length > 0) return phrase` · ${refused.length} not taken, see below`;
  if (waiting.length === 0) return '';
  return unkept
    ? phrase` · no connection, ${waiting.length} on this page alone`
    : phrase` · no connection, ${waiting.length} kept here`;
}
