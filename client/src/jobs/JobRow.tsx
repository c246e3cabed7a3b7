import { decidingWindow, type JobSummary, windowState } from '@lintrel/core/front';
import { JOB_NAMES, phrase } from '@lintrel/words';
import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { nextChange, timeWords } from '@/clock/span';
import { useWords } from '@/person/PersonContext';
import { colour, measure, size } from '@/theme/theme';
import { Icon } from '@/ui/Icon';
import { Row } from '@/ui/Row';
import { Body, Heading, Small } from '@/ui/Typography';
import { clockTime, STATE_WORDS } from '@/words';

const ICONS = { planning: 'pencil-outline', 'in-shop': 'hammer-wrench', finished: 'check-circle-outline' } as const;

/** A job in the list: what it is, and the next thing to do. */
export function JobRow({ job, now, onMore }: { job: JobSummary; now: number; onMore?: (() => void) | undefined }) {
  const { say, text } = useWords();
  const open = () =>
    router.push(
      job.state === 'in-shop'
        ? `/job/${job.id}/run`
        : job.state === 'finished'
          ? `/job/${job.id}/look-back`
          : `/job/${job.id}/piece`,
    );
  const row = (
    <Row
      label={phrase`Open ${job.title}`}
      onPress={open}
      testID="job"
      before={<Icon name={ICONS[job.state]} size={size.title} color={colour.calm} />}
    >
      <Heading>{job.title}</Heading>
      <Small>{phrase`${JOB_NAMES[job.kind]} · ${STATE_WORDS[job.state]}${job.finishedAt === null ? '' : phrase` ${clockTime(job.finishedAt, now)}`}`}</Small>
      {job.state === 'in-shop' ? <Body>{phrase`Next: ${job.next ? say(job.next) : 'finish the job'}`}</Body> : null}
      <NextWindow job={job} now={now} />
    </Row>
  );
  if (!onMore) return row;
  return (
    <View style={styles.line}>
      <View style={styles.grow}>{row}</View>
      <IconButton
        icon="dots-horizontal"
        accessibilityLabel={text(phrase`More for ${job.title}`)}
        onPress={onMore}
        style={styles.more}
        testID="job-more"
      />
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center' },
  grow: { flex: 1 },
  more: { width: measure.target, height: measure.target, margin: 0 },
});

/** The time of what is next; of what comes after it only where nothing is due before. */
function NextWindow({ job, now }: { job: JobSummary; now: number }) {
  const words = useWords();
  const window =
    decidingWindow(
      job.windows.filter(({ step }) => step === job.nextStep),
      now,
    ) ?? [...job.windows].sort((a, b) => nextChange(a) - nextChange(b))[0];
  if (!window) return null;
  if (window.step !== job.nextStep)
    return <Small>{phrase`Then ${words.say(window.say)}: ${timeWords(window, now, words)}`}</Small>;
  return (
    <Small tone={windowState(window, now) === 'before' ? 'caution' : 'accent'}>{timeWords(window, now, words)}</Small>
  );
}
