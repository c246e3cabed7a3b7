import { phrase, several } from '@lintrel/words';
import { Link, usePathname, type Href } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { colour, measure, size, space } from '@/theme/theme';
import { Icon } from '@/ui/Icon';
import { Text } from '@/ui/Text';
import { useOutbox } from './useOutbox';

/** Says on every screen what lies on this device alone, and leads to it. The run sheet tells its own at its place. */
export function NotSent() {
  const { pending, offline, unkept } = useOutbox();
  const path = usePathname();
  const told = pending.filter(({ job, refused }) => unkept || refused !== null || offline.has(job));
  if (told.length === 0 || path.endsWith('/run') || path === '/not-sent') return null;
  const refused = told.filter((one) => one.refused !== null).length;
  return (
    <Link href={'/not-sent' as Href} asChild>
      <Pressable style={StyleSheet.flatten(styles.bar)} testID="not-sent">
        <Icon name={refused > 0 ? 'alert-outline' : 'cloud-off-outline'} size={size.title} color={colour.ink} />
        <Text style={styles.words}>
          {refused > 0
            ? phrase`${several(refused, 'entry', 'entries')} not taken: look`
            : phrase`${several(told.length, 'entry', 'entries')} not sent yet: look`}
        </Text>
      </Pressable>
    </Link>
  );
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
  words: { fontSize: size.base, color: colour.ink },
});
