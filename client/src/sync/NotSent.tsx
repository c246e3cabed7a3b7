import { countPhrase, phrase } from '@lintrel/words';
import { useQuery } from '@tanstack/react-query';
import { type Href, Link, usePathname } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { colour, measure, size, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Bar } from '@/ui/Bar';
import { Icon } from '@/ui/Icon';
import { Text } from '@/ui/Text';
import { outbox, store } from './device';
import type { OutboxState } from './outbox';
import { useOutbox } from './useOutbox';

/** Unsent entries and drafts, shown on every screen with a link. The run sheet shows its own in place. */
export function NotSent() {
  const { pending, held, offline, unkept } = useOutbox();
  const path = usePathname();
  const keeps =
    useQuery({ queryKey: ['keeps'], queryFn: store.keeps, networkMode: 'always', staleTime: Infinity }).data ?? true;
  if (held.length > 0) return <EntriesOfOthers />;
  if (!keeps && summary(pending, offline, true).length === 0) return <NothingKept />;
  const unsent = summary(pending, offline, unkept);
  if (unsent.length === 0 || path.endsWith('/run') || path === '/not-sent') return null;
  const refused = unsent.filter((other) => other.refused !== null).length;
  return (
    <Link href={'/not-sent' as Href} asChild>
      <Pressable style={StyleSheet.flatten(styles.bar)} testID="not-sent">
        <Icon name={refused > 0 ? 'alert-outline' : 'cloud-off-outline'} size={size.title} color={colour.ink} />
        <Text style={styles.words}>
          {refused > 0
            ? phrase`${countPhrase(refused, 'entry', 'entries')} not taken: look`
            : phrase`${countPhrase(unsent.length, 'entry', 'entries')} not sent yet: look`}
        </Text>
      </Pressable>
    </Link>
  );
}

/** Which entries are mentioned: all if nothing is stored, else those refused or not sendable. */
const summary = (pending: OutboxState['pending'], offline: OutboxState['offline'], unkept: boolean) =>
  pending.filter(({ job, refused }) => unkept || refused !== null || offline.has(job));

/** This browser stores nothing: unsent entries are lost with the page. */
const NothingKept = () => (
  <Bar
    role="note"
    text="This browser lets Lintrel keep nothing. What you enter without a connection is lost when this page is closed."
    testID="nothing-kept"
  />
);

/** Asks the current person to send entries that somebody else made on this device, under their name. */
function EntriesOfOthers() {
  const { held } = useOutbox();
  const people = new Map(held.flatMap(({ by }) => (by ? [[by.id, by.name] as const] : [])));
  return [...people].map(([id, name]) => {
    const count = held.filter(({ by }) => by?.id === id).length;
    return (
      <Bar
        key={id}
        role="alert"
        text={phrase`${countPhrase(count, 'entry', 'entries')} of ${name} not sent yet. They go under the name ${name}, or wait until ${name} signs in.`}
        testID="others-entries"
      >
        <Action label={phrase`Send for ${name}`} onPress={() => outbox.sendFor(id)} testID="send-for" />
      </Bar>
    );
  });
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    minHeight: measure.target,
    paddingHorizontal: space.base,
    backgroundColor: colour.sheet,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
  words: { fontSize: size.base, color: colour.ink, flexShrink: 1 },
});
