import { type Href, Link, usePathname } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';
import { useLow, useWide } from '@/theme/useWide';
import { Icon } from './Icon';
import { Text } from './Text';

const PLACES = [
  {
    href: '/',
    label: 'Jobs',
    icon: 'clipboard-text-outline',
    owns: (path: string) => path === '/' || path.startsWith('/job'),
  },
  { href: '/clock', label: 'Clock', icon: 'timer-sand', owns: (path: string) => path.startsWith('/clock') },
  { href: '/bench', label: 'Bench', icon: 'ruler-square', owns: (path: string) => path.startsWith('/bench') },
  { href: '/shelf', label: 'Shelf', icon: 'tape-measure', owns: (path: string) => path.startsWith('/shelf') },
] as const;

/** The four places, always in reach: below on a phone, at the left on a wide screen. */
export function TabBar() {
  const { text } = useWords();
  const [wide, low] = [useWide(), useLow()];
  const path = usePathname();
  return (
    <View role="navigation" aria-label={text('Places')} style={wide ? styles.rail : low ? styles.lowRail : styles.bar}>
      {wide ? <Text style={styles.name}>Lintrel</Text> : null}
      {PLACES.map(({ href, label, icon, owns }) => {
        const here = owns(path);
        const tone = here ? colour.ink : colour.quiet;
        return (
          <Link key={href} href={href as Href} asChild>
            <Pressable
              aria-current={here ? 'page' : undefined}
              style={StyleSheet.flatten([
                wide ? styles.railLink : low ? styles.lowLink : styles.barLink,
                here && (wide || low ? styles.railHere : styles.barHere),
              ])}
            >
              <Icon name={icon} size={size.title} color={tone} />
              <Text style={[styles.label, wide && styles.railLabel, { color: tone }]}>{label}</Text>
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    backgroundColor: colour.sheet,
    borderTopWidth: measure.hairline,
    borderTopColor: colour.hairline,
  },
  barLink: {
    flex: 1,
    height: measure.header,
    alignItems: 'center',
    justifyContent: 'center',
    borderTopWidth: 3,
    borderTopColor: 'transparent',
  },
  barHere: { borderTopColor: colour.calm },
  lowRail: {
    width: measure.lowRail,
    backgroundColor: colour.sheet,
    borderRightWidth: measure.hairline,
    borderRightColor: colour.hairline,
    justifyContent: 'space-evenly',
  },
  lowLink: {
    minHeight: measure.target,
    alignItems: 'center',
    justifyContent: 'center',
    borderLeftWidth: 3,
    borderLeftColor: 'transparent',
  },
  rail: {
    width: measure.rail,
    backgroundColor: colour.sheet,
    borderRightWidth: measure.hairline,
    borderRightColor: colour.hairline,
    paddingTop: space.base,
  },
  railLink: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.middle,
    minHeight: measure.target,
    paddingHorizontal: space.base,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
  },
  railHere: { borderLeftColor: colour.calm, backgroundColor: colour.ground },
  name: {
    fontFamily: font.heading,
    fontSize: size.title,
    color: colour.ink,
    paddingHorizontal: space.wide,
    paddingBottom: space.base,
  },
  label: { fontFamily: font.label, fontSize: size.small },
  railLabel: { fontSize: size.large },
});
