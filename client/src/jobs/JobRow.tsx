import MaterialCommunityIcons from '@expo/vector-icons/MaterialCommunityIcons';
import { windowState, type JobSummary } from '@lintrel/core';
import { phrase, JOB_NAMES } from '@lintrel/words';
import { router } from 'expo-router';
import { nextChange } from '@/clock/span';
import { colour, size } from '@/theme/theme';
import { Row } from '@/ui/Row';
import { Body, Heading, Small } from '@/ui/Words';
import { clockTime, countdown, STATE_WORDS, WINDOW_WORDS } from '@/words';
import { useWords } from '@/person/PersonContext';

const ICONS = { planning: 'pencil-outline', 'in-shop': 'hammer-wrench', finished: 'check-circle-outline' } as const;

/** A job in the list: what it is, and the next thing to do. */
export function JobRow({ job, now }: { job: JobSummary; now: number }) {
  const { say } = useWords();
  const open = () =>
    router.push(job.state === 'in-shop' ? `/job/${job.id}/run` : job.state === 'finished' ? `/job/${job.id}/look-back` : `/job/${job.id}/piece`);
  return (
    <Row
      label={phrase`Open ${job.title}`}
      onPress={open}
      testID="job"
      before={<MaterialCommunityIcons aria-hidden name={ICONS[job.state]} size={size.title} color={colour.calm} />}
    >
      <Heading>{job.title}</Heading>
      <Small>{phrase`${JOB_NAMES[job.kind]} · ${STATE_WORDS[job.state]}${job.finishedAt === null ? '' : phrase` ${clockTime(job.finishedAt, now)}`}`}</Small>
      {job.state === 'in-shop' ? <Body>{phrase`Next: ${job.next ? say(job.next) : 'look it over and finish the job'}`}</Body> : null}
      <NextWindow job={job} now={now} />
    </Row>
  );
}

/** The window that opens or closes first. */
function NextWindow({ job, now }: { job: JobSummary; now: number }) {
  const { time } = useWords();
  const window = [...job.windows].sort((a, b) => nextChange(a) - nextChange(b))[0];
  if (!window) return null;
  const state = windowState(window, now);
  const what = time(window.code);
  if (state === 'before') {
    const when = window.opens === null ? phrase`by ${clockTime(window.closes ?? now, now)}` : phrase`opens in ${countdown(window.opens - now)}`;
    return <Small tone="caution">{phrase`${WINDOW_WORDS.before}: ${when} (${what}, estimate)`}</Small>;
  }
  if (state === 'passed') return <Small tone="accent">{phrase`${WINDOW_WORDS.passed}: closed at ${clockTime(window.closes ?? now, now)} (${what})`}</Small>;
  return (
    <Small tone="accent">{phrase`${WINDOW_WORDS.open}: ${what}${window.closes === null ? '' : phrase`, until ${clockTime(window.closes, now)}`} (estimate)`}</Small>
  );
}
