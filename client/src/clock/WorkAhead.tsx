import type { DayAnswer, DayWorkAnswer } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Body, Small } from '@/ui/Typography';
import { clockTime } from '@/words';

/** Number of tasks listed at first. */
export const LISTED_FIRST = 6;

/** Tasks in order, as part of one job. */
export function WorkAhead({
  work,
  people,
  now,
}: {
  work: readonly DayWorkAnswer[];
  people: DayAnswer['people'];
  now: number;
}) {
  const [all, setAll] = useState(false);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return (
    <View>
      {(all ? work : work.slice(0, LISTED_FIRST)).map((task) => (
        <View key={task.id} style={styles.row} testID="work-ahead">
          <WorkLines work={task} names={names} now={now} />
        </View>
      ))}
      {work.length > LISTED_FIRST ? (
        <Action
          rank="quiet"
          label={all ? 'Fewer' : phrase`All ${work.length}`}
          onPress={() => setAll(!all)}
          testID="all-ahead"
        />
      ) : null}
    </View>
  );
}

/** A stretch of work: when, by whom, what, and what is to be heeded. */
export function WorkLines({
  work,
  names,
  now,
  titled = false,
}: {
  work: DayWorkAnswer;
  names: ReadonlyMap<string, string>;
  now: number;
  /** Whether its job is named. */
  titled?: boolean;
}) {
  const words = useWorkWords();
  const latest = useLatest(now)(work);
  return (
    <>
      <Small>
        {phrase`${clockTime(work.startMs, now)} to ${clockTime(work.endMs, now)} · ${work.people.map((id) => names.get(id) ?? id).join(', ')}${work.places.includes('booth') ? ' · booth' : ''}`}
      </Small>
      <Body>{titled ? phrase`${work.title}: ${words(work)}` : words(work)}</Body>
      {latest ? <Small tone="caution">{latest}</Small> : null}
      {work.pinned ? <Small tone="ink">{pinWords(work, names, now)}</Small> : null}
      <AirDuring work={work} now={now} />
    </>
  );
}

/** What is wrong with the air while something is done. */
export function AirDuring({ work, now }: { work: DayWorkAnswer; now: number }) {
  const { temperature } = useWords();
  return (
    <>
      {work.air.map(({ code, atMs, worst }) => (
        <Small key={code} tone="caution">
          {code === 'cold'
            ? phrase`From ${clockTime(atMs, now)} it is as cold as ${temperature(worst)}: tape hardly sticks and paint hardly dries. Warm the place, or wait.`
            : phrase`From ${clockTime(atMs, now)} it is too near the dew point: paint may dull and tape not hold. Warm the part, or wait.`}
        </Small>
      ))}
    </>
  );
}

/** A stretch of work in a few words. */
export function useWorkWords(): (work: Pick<DayWorkAnswer, 'steps'>) => string {
  const { say } = useWords();
  return ({ steps: [first, ...more] }) =>
    first ? (more.length > 0 ? phrase`${say(first.say)}, and ${more.length} more` : say(first.say)) : '';
}

/** Till when a stretch of work may wait, and why; null where it may. */
export function useLatest(now: number): (work: DayWorkAnswer) => string | null {
  const { say } = useWords();
  return ({ latest }) => {
    if (!latest) return null;
    const latestTime = clockTime(latest.atMs, now);
    return latest.missed
      ? phrase`Begin by ${latestTime} at the latest, or “${say(latest.missed.say)}” falls at ${clockTime(latest.missed.atMs, now)}, when nobody is here (estimate)`
      : phrase`Begin by ${latestTime} at the latest, or its window, or one after it, is missed (estimate)`;
  };
}

/** What a person has fixed of a stretch of work. */
function pinWords({ pinned }: DayWorkAnswer, names: ReadonlyMap<string, string>, now: number): string {
  const who = pinned?.person ? (names.get(pinned.person) ?? pinned.person) : null;
  const pinnedTime = pinned?.atMs ? clockTime(pinned.atMs, now) : null;
  if (who !== null && pinnedTime !== null) return phrase`Fixed: ${who}, at ${pinnedTime}`;
  return phrase`Fixed: ${who ?? pinnedTime ?? ''}`;
}

const styles = StyleSheet.create({
  row: {
    paddingVertical: space.small,
    gap: space.hair,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
});
