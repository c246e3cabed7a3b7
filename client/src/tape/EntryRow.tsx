import { edgeBuildUp, groupClosings, type Item, type Plan, plugsIn, sheetLine, tapeNeeds } from '@lintrel/core';
import { countPhrase, HOLD_NAMES, phrase, type Words } from '@lintrel/words';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Notice } from '@/ui/Notice';
import { Row, Unfolded } from '@/ui/Row';
import { Body, Figure, Heading, Small } from '@/ui/Typography';
import { BuildUpSketch } from './BuildUpSketch';
import type { LayEntry } from './entries';
import { TechniqueSketch } from './TechniqueSketch';

interface EntryRowProps {
  readonly entry: LayEntry;
  readonly plan: Plan;
  readonly chosen: boolean;
  readonly down: boolean;
  readonly onPress: () => void;
  /** Actions, below the technique. */
  readonly children?: ReactNode;
}

/** One thing to lay: a line to read in passing, and how it is laid where it is chosen. */
export function EntryRow({ entry, plan, chosen, down, onPress, children }: EntryRowProps) {
  const words = useWords();
  const { code, title, where, amount } = entryWords(entry, plan, words);
  return (
    <View>
      <Row
        label={phrase`${code}${title}${down ? ', down' : ''}`}
        chosen={chosen}
        onPress={onPress}
        testID="run"
        after={down ? <Small>✓ down</Small> : null}
      >
        <View style={styles.head}>
          <Heading>{phrase`${code}${title}`}</Heading>
          <Body>{where}</Body>
        </View>
        <Small>{amount}</Small>
      </Row>
      {chosen ? (
        <Unfolded>
          <How entry={entry} plan={plan} />
          {children}
        </Unfolded>
      ) : null}
    </View>
  );
}

/** What an entry is called, where it goes, and how much of it there is. */
function entryWords(
  entry: LayEntry,
  plan: Plan,
  words: Words,
): { code: string; title: string; where: string; amount: string } {
  const partOf = (id: string) => (plan.parts.length > 1 ? (plan.parts.find((part) => part.id === id)?.name ?? id) : '');
  const on = (place: string, part: string) => (partOf(part) ? phrase`${place}, ${partOf(part)}` : place);
  switch (entry.kind) {
    case 'plugs': {
      const count = plugsIn(entry.items).reduce((sum, item) => sum + item.count, 0);
      return {
        code: '',
        title: phrase`Close ${countPhrase(count, 'opening')}`,
        where: '',
        amount: phrase`Count them in: ${count}`,
      };
    }
    case 'rim': {
      const [item] = entry.items;
      const title =
        item.material === 'foam' ? phrase`Foam ${words.length(item.widthMm)}` : (item.material ?? 'by hand');
      return {
        code: phrase`${item.code}  `,
        title,
        where: on(phrase`${words.say(item.edgeName)}`, item.part),
        amount: timesOf(words.metres(item.lengthMm), item.count),
      };
    }
    case 'backing': {
      const [item] = entry.items;
      return {
        code: phrase`${item.code}  `,
        title: item.material ?? 'by hand',
        where: on(phrase`behind ${item.lineCode}`, item.part),
        amount: timesOf(phrase`${words.metres(item.lengthMm)} in ${countPhrase(item.pieces, 'piece')}`, item.count),
      };
    }
    case 'line': {
      const [item] = entry.items;
      return {
        code: phrase`${item.code}  `,
        title: item.material ?? 'by hand',
        where: on(
          phrase`${words.side(item.area === null ? item.sideSeen : 'along')} ${sheetLine(item) ?? item.lineCode}`,
          item.part,
        ),
        amount: timesOf(words.metres(item.lengthMm), item.count),
      };
    }
    case 'cover': {
      const [item] = entry.items;
      return {
        code: '',
        title: 'Cover',
        where: on(coveredPlace(item, plan), item.part),
        amount: phrase`${words.area(item.sizeM2)} of paper or film (estimate)`,
      };
    }
    case 'own': {
      const [item] = entry.items;
      const cover = item.tapeKind === null && item.lengthMm === 0;
      return {
        code: phrase`${item.code}  `,
        title: cover ? 'Paper or film' : (item.material ?? 'by hand'),
        where: on(item.note === '' ? 'of your own' : item.note, item.part),
        amount: cover ? words.area(item.sizeM2) : timesOf(words.metres(item.lengthMm), item.count),
      };
    }
    case 'seams': {
      const lengthMm = entry.items.reduce((sum, item) => sum + item.lengthMm * item.count, 0);
      return { code: '', title: 'Tape over the seams', where: '', amount: words.metres(lengthMm) };
    }
  }
}

/** What a cover lies on: a part, an area of it, or all round it. */
function coveredPlace({ part, area }: Extract<LayEntry, { kind: 'cover' }>['items'][0], { parts }: Plan): string {
  if (area === null) return 'whole';
  if (area === 'beyond') return 'all that is round it';
  return parts.find(({ id }) => id === part)?.areas.find(({ id }) => id === area)?.code ?? area;
}

const timesOf = (amount: string, count: number): string => (count > 1 ? phrase`${amount}, ${count} times` : amount);

/** Technique, reasons, and doubts. */
function How({ entry, plan }: Pick<EntryRowProps, 'entry' | 'plan'>) {
  const words = useWords();
  if (entry.kind === 'plugs')
    return (
      <>
        {groupClosings(plugsIn(entry.items).map(({ closing }) => closing)).map((closing) => (
          <Body key={words.say(closing)}>{words.say(closing)}</Body>
        ))}
        {tapeNeeds(entry.items, []).map(({ tape, lengthM, pieces }) => (
          <Body
            key={tape}
          >{phrase`${tape}: ${words.metres(1000 * lengthM)} in ${countPhrase(pieces, 'piece')}, all of them together`}</Body>
        ))}
        <Doubts of={entry.items} />
        <Small>As many come out in the end.</Small>
      </>
    );
  if (entry.kind === 'cover')
    return <Body>Onto the tape that carries it, clear of the line; nothing may be left bare that mist reaches.</Body>;
  const techniques =
    entry.kind === 'seams'
      ? entry.items.slice(0, 1).flatMap((item) => seamTechnique(entry.items, item.material))
      : entry.items[0].techniques;
  const hold = entry.kind === 'seams' ? null : entry.items[0].hold;
  const line = entry.kind === 'line' ? entry.items[0] : null;
  return (
    <>
      {entry.kind === 'line' || entry.kind === 'backing' ? (
        <BuildUpSketch pieces={edgeBuildUp(plan, entry.id)} />
      ) : null}
      {techniques.map((technique) => (
        <View key={technique.code} style={styles.card}>
          <TechniqueSketch code={technique.code} />
          <View style={styles.told}>
            <Body>{words.say(technique)}</Body>
            <Small>{words.why(technique)}</Small>
          </View>
        </View>
      ))}
      {line?.backwards ? <Small>Begin at its far end: that is where you stand.</Small> : null}
      <View style={styles.figures}>
        {hold ? <Figure label="On the paint below (estimate)" value={HOLD_NAMES[hold]} /> : null}
        {line ? <Figure label="Edge" value={line.area === null ? line.class : 'crisp'} /> : null}
        {line && line.stretch > 0 ? <Figure label="Stretch" value={`${(line.stretch * 100).toFixed(1)} %`} /> : null}
        {line && line.worstRadiusMm !== null && line.worstRadiusMm < STRAIGHT_MM ? (
          <Figure label="Tightest radius" value={words.length(line.worstRadiusMm)} />
        ) : null}
      </View>
      <Doubts of={entry.items} />
    </>
  );
}

/** Doubts of some pieces, each once. */
function Doubts({ of }: { of: readonly Pick<Item, 'doubts'>[] }) {
  const words = useWords();
  const said = new Set(of.flatMap(({ doubts }) => doubts.map((doubt) => words.say(doubt))));
  return (
    <>
      {[...said].map((text) => (
        <Notice key={text} level="caution" text={text} />
      ))}
    </>
  );
}

/** A bend wider than this is none to the hand, mm. */
const STRAIGHT_MM = 20_000;

const seamTechnique = (seams: Extract<LayEntry, { kind: 'seams' }>['items'], tape: string | null) => [
  {
    code: 'technique.over-seam' as const,
    values: { tape, lengthMm: seams.reduce((sum, { lengthMm, count }) => sum + lengthMm * count, 0) },
  },
];

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'baseline', gap: space.small, flexWrap: 'wrap' },
  card: { flexDirection: 'row', gap: space.small, flexWrap: 'wrap' },
  told: { flex: 1, minWidth: measure.typed },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
});
