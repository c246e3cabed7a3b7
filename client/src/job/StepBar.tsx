import { type Href, Link, usePathname } from 'expo-router';
import { ScrollView, StyleSheet } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { STEPS } from '@/words';

/** On a phone the bar is wider than the screen: the current step is scrolled into view. */
const intoView = (link: unknown) =>
  (link as HTMLElement | null)?.scrollIntoView?.({ inline: 'center', block: 'nearest' });

/** The steps of a job in working order; each can be opened at any time. */
export function StepBar({ id }: { id: string }) {
  const { text } = useWords();
  const path = usePathname();
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      style={styles.bar}
      contentContainerStyle={styles.steps}
      role="navigation"
      aria-label={text('Steps of the job')}
    >
      {STEPS.map(({ path: step, label }) => {
        const here = path.startsWith(`/job/${id}/${step}`);
        return (
          <Link
            key={step}
            ref={here ? intoView : undefined}
            href={`/job/${id}/${step}` as Href}
            replace
            aria-current={here ? 'step' : undefined}
            style={[styles.step, here && styles.here]}
          >
            <Text style={[styles.word, here && styles.wordHere]}>{label}</Text>
          </Link>
        );
      })}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexGrow: 0,
    backgroundColor: colour.sheet,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
  steps: { paddingHorizontal: space.small },
  step: {
    height: measure.target,
    paddingHorizontal: space.middle,
    lineHeight: measure.target,
    borderBottomWidth: 3,
    borderBottomColor: 'transparent',
  },
  here: { borderBottomColor: colour.calm },
  word: { fontFamily: font.label, fontSize: size.base, color: colour.quiet },
  wordHere: { fontFamily: font.heading, color: colour.ink },
});
