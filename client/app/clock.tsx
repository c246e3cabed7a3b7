import { decidingWindow, type JobSummary, type RunningWindow, windowState } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useJobsInShop } from '@/api/queries';
import { AirNow } from '@/clock/AirNow';
import { AlarmSettings } from '@/clock/AlarmSettings';
import { DayNext, DayRest } from '@/clock/DayPlan';
import { type Band, Rail } from '@/clock/Rail';
import { nextChange, spanWords, timeWords } from '@/clock/span';
import { ticksIn, tickStep } from '@/clock/ticks';
import { inAir, standing, useAir } from '@/clock/useAir';
import { useAlarms, useAlarmSetting } from '@/clock/useAlarms';
import { useDay } from '@/clock/useDay';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { useNow } from '@/ui/useNow';
import { clockTime, countdown } from '@/words';

interface Due {
  readonly job: JobSummary;
  readonly window: RunningWindow;
}

const NONE: readonly JobSummary[] = [];
const MINUTE_MS = 60_000;
/** Number of windows shown at first. */
const FIRST = 8;
/** The rail shows at least this much of the future, and at most this much. */
const LEAST_AHEAD_MIN = 60;
const MOST_AHEAD_MIN = 3 * 1440;

/** Clock: every wait that is on, of all jobs, on one rail with the present at one third. */
export default function ClockScreen() {
  const { data, error, refetch } = useJobsInShop();
  const now = useNow();
  const day = useDay();
  const { told, air } = useAir();
  const counted = useMemo(() => inAir(data?.jobs ?? NONE, air), [data, air]);
  const jobs = standing(counted, now);
  const [alarm, setAlarm] = useAlarmSetting();
  useAlarms(jobs, now, alarm);
  if (!data)
    return (
      <Screen title="Clock">
        <Waiting what="the windows" error={error} retry={<Action label="Try again" onPress={() => void refetch()} />} />
      </Screen>
    );
  const due = jobs
    .flatMap((job): Due[] => job.windows.map((window) => ({ job, window })))
    .sort((a, b) => nextChange(a.window) - nextChange(b.window));
  return (
    <Screen
      title="Clock"
      about="What is drying or due, in all jobs. Times are estimates from the air and the film; a touch test counts for more."
    >
      {day.data ? <DayNext day={day.data} now={now} /> : null}
      {day.error ? <Notice level="caution" text={phrase`The day cannot be planned now: ${day.error.message}`} /> : null}
      {due.length === 0 ? (
        <Panel>
          <Body>Nothing is drying. Windows show here once a run sheet has been started and a coat is logged.</Body>
          <Action label="See the jobs" onPress={() => router.push('/')} />
        </Panel>
      ) : (
        <DueList due={due} now={now} />
      )}
      {day.data ? <DayRest day={day.data} now={now} /> : null}
      {told ? <AirNow air={told} now={now} /> : null}
      <AlarmSettings setting={alarm} onChange={setAlarm} />
      <Panel>
        <Action label="People and hours" onPress={() => router.push('/hours' as Href)} testID="to-hours" />
        <Action
          rank="quiet"
          label="Into a calendar"
          onPress={() => window.open('/api/day.ics', '_self')}
          testID="calendar"
        />
      </Panel>
    </Screen>
  );
}

/** Everything due on one rail and as a list; at first only what is next. */
function DueList({ due, now }: { due: readonly Due[]; now: number }) {
  const [all, setAll] = useState(false);
  // Redrawn every second: with a hundred jobs only the next windows are shown, the rest on demand.
  const shown = all ? due : due.slice(0, FIRST);
  // A step with several windows is shown once, with the deciding one.
  const steps = due.filter(
    ({ job, window }) =>
      decidingWindow(
        job.windows.filter(({ step }) => step === window.step),
        now,
      ) === window,
  );
  const listed = all ? steps : steps.slice(0, FIRST);
  return (
    <>
      <Panel>
        <AllOnOneRail due={shown} now={now} />
      </Panel>
      <Panel>
        <Rows>
          {listed.map((other) => (
            <DueRow
              key={`${other.job.id}${other.window.step}${other.window.code}${other.window.opens}`}
              due={other}
              now={now}
            />
          ))}
        </Rows>
        {due.length > FIRST ? (
          <Action
            rank="quiet"
            label={all ? 'Only what is next' : phrase`All ${due.length} that are drying or due`}
            onPress={() => setAll(!all)}
            testID="all-due"
          />
        ) : null}
      </Panel>
    </>
  );
}

function AllOnOneRail({ due, now }: { due: readonly Due[]; now: number }) {
  const { time } = useWords();
  const ends = due.map(
    ({ window: { opens, closes } }) =>
      (closes !== null && closes - now < MOST_AHEAD_MIN * MINUTE_MS ? closes : (opens ?? now)) - now,
  );
  const aheadMin = Math.min(MOST_AHEAD_MIN, Math.max(LEAST_AHEAD_MIN, 1.15 * (Math.max(...ends) / MINUTE_MS)));
  const from = now - (aheadMin / 2) * MINUTE_MS;
  const to = now + aheadMin * MINUTE_MS;
  const step = tickStep(aheadMin * 1.5, 5) * MINUTE_MS;
  const midnight = new Date(now).setHours(0, 0, 0, 0);
  const ticks = ticksIn(from - midnight, to - midnight, step).map((tick) => ({
    at: tick + midnight,
    label: clockTime(tick + midnight, now),
  }));
  const bands = due.map(({ job, window }): Band => ({
    key: `${job.id}${window.step}${window.code}${window.opens}`,
    label: phrase`${job.title}: ${time(window.code)}`,
    words: phrase`${spanWords(window, now)}${window.closes === null ? ', no end' : ''}`,
    pieces: [
      { from: window.opens ?? now, to: window.closes, tone: windowState(window, now) === 'open' ? 'chosen' : 'window' },
    ],
  }));
  return <Rail from={from} to={to} now={now} ticks={ticks} bands={bands} />;
}

function DueRow({ due: { job, window }, now }: { due: Due; now: number }) {
  const words = useWords();
  const state = windowState(window, now);
  const opening = state === 'before' && window.opens !== null;
  const left = opening ? (window.opens ?? now) - now : window.closes === null ? null : window.closes - now;
  return (
    <Row label={phrase`Go to ${job.title}`} onPress={() => router.push(`/job/${job.id}/run` as Href)} testID="due">
      <View style={styles.due}>
        <View style={styles.words}>
          <Heading>{job.title}</Heading>
          <Body>{words.say(window.say)}</Body>
          <Small tone={state === 'before' ? 'caution' : 'accent'}>{timeWords(window, now, words)}</Small>
        </View>
        {left !== null && state !== 'passed' ? (
          <Figure large label={opening ? 'opens in' : 'closes in'} value={countdown(left)} />
        ) : null}
        {state === 'passed' ? <Figure large label="closed at" value={clockTime(window.closes ?? now, now)} /> : null}
      </View>
    </Row>
  );
}

const styles = StyleSheet.create({
  due: { flexDirection: 'row', alignItems: 'center', gap: space.middle },
  words: { flex: 1, gap: space.hair },
});
