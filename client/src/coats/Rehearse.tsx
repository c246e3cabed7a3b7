import { type Moment, type Plan, rehearsal, showMinutes } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { RangeInput } from '@/forms/RangeInput';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Figure, Heading, Small } from '@/ui/Typography';

/** Time per moment while the rehearsal plays, ms. */
const MOMENT_MS = 700;

/** The moments of a job and the selected one; null if nothing is rehearsed. */
export function useRehearsal(plan: Plan | null) {
  const { shelf } = useJob();
  const moments = useMemo(() => (plan ? rehearsal(plan, shelf) : []), [plan, shelf]);
  const [at, setAt] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const last = moments.length - 1;
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setAt((now) => Math.min(last, (now ?? -1) + 1)), MOMENT_MS);
    return () => clearInterval(timer);
  }, [playing, last]);
  useEffect(() => {
    if (at !== null && at >= last) setPlaying(false);
  }, [at, last]);
  const moment: Moment | null = at === null ? null : (moments[Math.min(at, last)] ?? null);
  return { moments, at, setAt, moment, playing, setPlaying };
}

/** Goes through the job coat by coat, the clock running: where a wrong mask or a too dark colour is seen in time. */
export function Rehearse({ moments, at, setAt, moment, playing, setPlaying }: ReturnType<typeof useRehearsal>) {
  const { say } = useWords();
  if (moments.length === 0) return null;
  const start = () => {
    if (at === null || at >= moments.length - 1) setAt(0);
    setPlaying(true);
  };
  return (
    <Panel>
      <View style={styles.row}>
        <Heading>Rehearse</Heading>
        <Action
          rank="quiet"
          icon={playing ? 'pause' : 'play'}
          label={playing ? 'Pause' : 'Play'}
          onPress={() => (playing ? setPlaying(false) : start())}
        />
      </View>
      <RangeInput
        label="Moment of the job"
        value={at ?? 0}
        least={0}
        most={moments.length - 1}
        step={1}
        words={moment ? phrase`${say(moment.what)}, ${clock(moment.atMin)}` : 'Not begun'}
        onChange={(value) => {
          setPlaying(false);
          setAt(value);
        }}
        testID="rehearse"
      />
      {moment ? (
        <View style={styles.figures} testID="moment">
          <Figure label="Clock (estimate)" value={clock(moment.atMin)} />
          <Figure label={phrase`Stage ${moment.stage}`} value={say(moment.what)} />
        </View>
      ) : (
        <Small>Slide through every coat, or let it run. The drawing shows what you would see.</Small>
      )}
      {at !== null ? (
        <Action rank="quiet" label="Back to the stages" onPress={() => [setPlaying(false), setAt(null)]} />
      ) : null}
    </Panel>
  );
}

/** Time since the job began. */
const clock = (minutes: number): string => (minutes < 1 ? 'at the start' : phrase`after ${showMinutes(minutes)}`);

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.wide },
});
