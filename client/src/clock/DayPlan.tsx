import { type DayAnswer, MS_PER_MINUTE } from '@lintrel/core/front';
import { countPhrase, phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { boothWords } from '@/clock/boothWords';
import { useIsAllowed } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { colour, measure, size, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Icon } from '@/ui/Icon';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { clockTime } from '@/words';
import { PinForm } from './PinForm';
import { AirDuring, LISTED_FIRST, useLatest, useWorkWords, WorkLines } from './WorkAhead';

/** What of the day cannot be kept, and the next task of each person. */
export function DayNext({ day, now }: { day: DayAnswer; now: number }) {
  const words = useWords();
  const { say, time, late } = words;
  return (
    <>
      {day.troubles.map((trouble) => (
        <Notice key={say(trouble)} level="stop" text={say(trouble)} />
      ))}
      {day.missed.map(({ job, title, say: step, code, closedMs, againMs }) => (
        <Notice
          key={`${job}${code}${closedMs}`}
          level="caution"
          text={
            againMs !== null
              ? phrase`${title}: “${say(step)}” was to be done by ${clockTime(closedMs, now)}. This paint takes no coat between its two windows: wait until ${clockTime(againMs, now)} (estimate). Tape that cannot stay on so long is pulled now, and laid again then.`
              : phrase`${title}: “${say(step)}” was to be done by ${clockTime(closedMs, now)} (${time(code)}). ${late(code)}`
          }
          onPress={() => router.push(`/job/${job}/run` as Href)}
          where="Go to its sheet"
        />
      ))}
      {day.oneMix.map(({ finish, first, second, ml, savedMin }) => (
        <Notice
          key={`${finish}${second}`}
          level="note"
          text={phrase`Mix ${finish} once, ${words.volume(ml)} for both: ${first} first, ${second} from the same gun, cleaned after both. Saves ${words.minutes(savedMin)} (estimate).`}
        />
      ))}
      {day.booth
        .filter(({ untilMs }) => untilMs !== null && untilMs > now)
        .map((state) => (
          <Notice key={state.job} level="caution" text={phrase`${state.title}: ${boothWords(state, now)}`} />
        ))}
      {day.work.length > 0 ? (
        <Panel>
          <Heading>Next for each</Heading>
          <Rows>
            {day.people.map((person) => (
              <NextFor key={person.id} person={person} day={day} now={now} />
            ))}
          </Rows>
        </Panel>
      ) : null}
    </>
  );
}

function NextFor({
  person: { id, name },
  day,
  now,
}: {
  person: DayAnswer['people'][number];
  day: DayAnswer;
  now: number;
}) {
  const words = useWorkWords();
  const latest = useLatest(now);
  const next = day.work.find(({ people, endMs }) => people.includes(id) && endMs > now);
  if (!next)
    return (
      <Row label={name}>
        <Heading>{name}</Heading>
        <Body>Nothing is waiting.</Body>
      </Row>
    );
  const begins = next.startMs <= now + MS_PER_MINUTE;
  return (
    <Row
      label={phrase`${name}: go to ${next.title}`}
      onPress={() => router.push(`/job/${next.job}/run` as Href)}
      testID="next-for"
    >
      <View style={styles.next}>
        <View style={styles.words}>
          <Small>{name}</Small>
          <Heading>{next.title}</Heading>
          <Body>{words(next)}</Body>
          {next.scuffMin > 0 ? (
            <Small tone="caution">Scuff and clean first: the recoat limit will have passed.</Small>
          ) : null}
          {latest(next) ? <Small tone="caution">{latest(next)!}</Small> : null}
          <AirDuring work={next} now={now} />
        </View>
        <Figure
          large
          label={begins ? 'now, until about' : 'from about'}
          value={clockTime(begins ? next.endMs : next.startMs, now)}
        />
      </View>
    </Row>
  );
}

/** All that is left of the day and the days after, in the order of time. */
export function DayRest({ day, now }: { day: DayAnswer; now: number }) {
  const [all, setAll] = useState(false);
  const [pinning, setPinning] = useState<string | null>(null);
  const may = useIsAllowed()('plan');
  const { text } = useWords();
  const words = useWorkWords();
  const names = new Map(day.people.map(({ id, name }) => [id, name]));
  const left = day.work.filter(({ endMs }) => endMs > now);
  const shown = all ? left : left.slice(0, LISTED_FIRST);
  if (left.length === 0) return null;
  const slack = day.endMs === null ? 0 : Math.round((day.endMs - day.leastEndMs) / MS_PER_MINUTE);
  return (
    <Panel>
      <Heading>What follows</Heading>
      <Small>
        {day.endMs === null
          ? ''
          : day.proven
            ? phrase`All is done by ${clockTime(day.endMs, now)} (estimate); it cannot be sooner with these people and hours.`
            : phrase`All is done by ${clockTime(day.endMs, now)} (estimate); at best ${slack} min sooner.`}
      </Small>
      <Rows>
        {shown.map((work) => (
          <View key={work.id}>
            <View style={styles.next}>
              <View style={styles.words}>
                <Row
                  label={phrase`Go to ${work.title}`}
                  onPress={() => router.push(`/job/${work.job}/run` as Href)}
                  testID="day-work"
                >
                  <WorkLines work={work} names={names} now={now} titled />
                </Row>
              </View>
              {may ? (
                <Pressable
                  role="button"
                  aria-label={text(phrase`Fix who does it and when: ${work.title}, ${words(work)}`)}
                  aria-expanded={pinning === work.id}
                  onPress={() => setPinning(pinning === work.id ? null : work.id)}
                  style={styles.pin}
                  testID="pin"
                >
                  <Icon
                    name={work.pinned ? 'lock-outline' : 'lock-open-outline'}
                    size={size.title}
                    color={colour.quiet}
                  />
                </Pressable>
              ) : null}
            </View>
            {pinning === work.id ? <PinForm work={work} day={day} now={now} onDone={() => setPinning(null)} /> : null}
          </View>
        ))}
      </Rows>
      {day.more > 0 ? (
        <Small>{phrase`${countPhrase(day.more, 'stretch', 'stretches')} of work further on ${day.more === 1 ? 'is' : 'are'} planned when it comes nearer.`}</Small>
      ) : null}
      {left.length > LISTED_FIRST ? (
        <Action
          rank="quiet"
          label={all ? 'Fewer' : phrase`All ${left.length}`}
          onPress={() => setAll(!all)}
          testID="all-work"
        />
      ) : null}
    </Panel>
  );
}

const styles = StyleSheet.create({
  pin: { width: measure.target, minHeight: measure.target, alignItems: 'center', justifyContent: 'center' },
  next: { flexDirection: 'row', alignItems: 'center', gap: space.middle },
  words: { flex: 1, gap: space.hair },
});
