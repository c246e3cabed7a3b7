import { type LogEvent, type Step, stepOfEntry } from '@lintrel/core';
import { showMinutes } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { clock } from '@/api/clock';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { Photo } from '@/run/Photo';
import { useWorkSheet } from '@/run/useWorkSheet';
import { sawWords } from '@/sync/observedWords';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Row, Rows } from '@/ui/Row';
import { Panel, Waiting } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';

/** Look back: the log of the job. */
export function LookBackScreen() {
  const { id } = useJob();
  const { plan, events, progress, doneCount, loading, error, retry } = useWorkSheet(id);
  if (loading || error)
    return (
      <StepLayout>
        <Waiting what="the log" error={error} retry={<Action label="Try again" onPress={retry} />} />
      </StepLayout>
    );
  if (events.length === 0)
    return (
      <StepLayout>
        <Missing need="start" />
      </StepLayout>
    );
  const spanMin =
    progress.startedAt === null ? null : ((progress.finishedAt ?? clock.now()) - progress.startedAt) / 60_000;
  const wrong = events.filter(({ kind }) => kind === 'trouble').length;
  return (
    <StepLayout>
      <Panel>
        <View style={styles.figures}>
          <Figure large label="Steps done" value={phrase`${doneCount} of ${plan?.toDo.length ?? 0}`} />
          {spanMin === null ? null : (
            <Figure
              large
              label={progress.finishedAt === null ? 'Since the start' : 'From start to finish'}
              value={showMinutes(spanMin)}
            />
          )}
          <Figure large label="Went wrong" value={String(wrong)} />
        </View>
      </Panel>
      <Panel>
        <Heading>Log</Heading>
        <Small>Entries stay as they were written; a later one corrects an earlier one.</Small>
        <Rows>
          {[...events]
            .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
            .map((event) => (
              <Entry key={event.id} job={id} event={event} steps={plan?.steps ?? []} />
            ))}
        </Rows>
      </Panel>
    </StepLayout>
  );
}

function Entry({ job, event, steps }: { job: string; event: LogEvent; steps: readonly Step[] }) {
  const words = useWords();
  const { say, entry } = words;
  const step = stepOfEntry(steps, event.step);
  const date = new Date(event.at);
  return (
    <Row label="entry" testID="entry">
      <Small>{`${date.toLocaleDateString(undefined, { day: 'numeric', month: 'short' })} ${date.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })}`}</Small>
      <Body>{phrase`${entry(event.kind)}${step ? phrase`: ${say(step.say)}` : ''}`}</Body>
      {event.person ? (
        <Small>{event.sentBy ? phrase`${event.person}, sent by ${event.sentBy}` : event.person}</Small>
      ) : null}
      {event.saw?.kind === 'photo' ? (
        <Photo job={job} photo={event.saw.photo} label="Photo" />
      ) : event.saw ? (
        <Body>{sawWords(event.saw, words)}</Body>
      ) : null}
      {event.note ? <Body tone="quiet">{event.note}</Body> : null}
    </Row>
  );
}

const styles = StyleSheet.create({ figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.wide } });
