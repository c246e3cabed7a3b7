import type { Step } from '@lintrel/core';
import { countPhrase, phrase } from '@lintrel/words';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { BoothButton } from '@/run/BoothButton';
import { font, measure, type Shade, shades, size, space } from '@/theme/theme';
import { useLow } from '@/theme/useWide';
import { Icon } from '@/ui/Icon';
import { Text } from '@/ui/Text';
import { useShade } from './shade';

/** Share of the height of the screen the list of what is left takes at most. */
const LIST_SHARE = 0.5;

/** The one thing to press. */
interface MainAction {
  readonly label: string;
  readonly calm: boolean;
  readonly disabled: boolean;
  readonly onPress: () => void;
  readonly testID: string;
}

interface RunState {
  readonly next: Step | null;
  /** Plugs that are counted out at this step; null: none. */
  readonly plugs: number | null;
  /** Its window has not opened yet. */
  readonly early: boolean;
  /** It was pressed a moment ago. */
  readonly resting: boolean;
  readonly finished: boolean;
  readonly onDone: () => void;
  readonly onFinish: () => void;
}

/** The current action: complete the step or, after the last one, finish the job; null if it is finished. */
export function mainAction({ next, plugs, early, resting, finished, onDone, onFinish }: RunState): MainAction | null {
  if (!next)
    return finished
      ? null
      : { label: 'Finish the job', calm: false, disabled: false, onPress: onFinish, testID: 'finish' };
  // What went in is counted out before its step is done.
  const label = plugs === null ? 'Done' : plugs === 1 ? 'The one plug is out' : phrase`All ${plugs} are out`;
  // A pending tap does not block the next one: it is queued.
  return { label, calm: early, disabled: resting, onPress: onDone, testID: 'done' };
}

interface RunFooterProps {
  /** Remaining attended steps, the current one first. */
  readonly left: readonly Step[];
  /** The one thing to press; null while a question stands above. */
  readonly main: MainAction | null;
}

/** How much of the lower edge it takes where it lies over the screen, held sideways: the two rows and what is round them. */
export const ASIDE_HEIGHT = 2 * measure.runTarget + 3 * space.base;

/** At the lower edge, at the same place on every step: what comes next, with all that is left one tap away, and Done. */
export function RunFooter({ left, main }: RunFooterProps) {
  const { say } = useWords();
  const { name, shade } = useShade();
  const { height } = useWindowDimensions();
  const low = useLow();
  const [open, setOpen] = useState(false);
  const styles = STYLES[name];
  const after = left.slice(1);
  const [following] = after;
  return (
    <View style={[styles.footer, low && styles.aside]}>
      <View style={styles.column}>
        {open ? (
          <ScrollView style={{ maxHeight: LIST_SHARE * height }} testID="left">
            {left.map((step, index) => (
              <Text key={step.id} style={index === 0 ? styles.now : styles.step}>
                {phrase`${index === 0 ? 'Now: ' : ''}${say(step.say)}`}
              </Text>
            ))}
          </ScrollView>
        ) : null}
        {left.length > 0 ? (
          <Pressable
            role="button"
            aria-expanded={open}
            onPress={() => setOpen(!open)}
            style={styles.next}
            testID="what-is-left"
          >
            <Text style={styles.following}>
              {following ? phrase`Then: ${say(following.say)}` : 'This is the last step'}
            </Text>
            <Text style={styles.count}>{phrase`${countPhrase(left.length, 'step')} left`}</Text>
            <Icon name={open ? 'chevron-down' : 'chevron-up'} size={size.title} color={shade.ink} />
          </Pressable>
        ) : null}
        {main ? (
          <BoothButton
            rank={main.calm ? 'calm' : 'main'}
            label={main.label}
            disabled={main.disabled}
            onPress={main.onPress}
            testID={main.testID}
          />
        ) : null}
      </View>
    </View>
  );
}

const stylesIn = (shade: Shade) =>
  StyleSheet.create({
    footer: {
      backgroundColor: shade.ground,
      borderTopWidth: measure.hairline,
      borderTopColor: shade.hairline,
      paddingHorizontal: space.base,
      paddingBottom: space.base,
    },
    column: { width: '100%', maxWidth: 2 * measure.panel, alignSelf: 'center' },
    // In landscape the step keeps its half of the screen.
    aside: { position: 'absolute', left: '50%', right: 0, bottom: 0 },
    next: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.runTarget },
    following: { flex: 1, fontFamily: font.label, fontSize: size.large, color: shade.ink },
    count: { fontFamily: font.label, fontSize: size.base, color: shade.quiet },
    now: { fontFamily: font.heading, fontSize: size.large, color: shade.ink, paddingVertical: space.small },
    step: {
      fontFamily: font.label,
      fontSize: size.base,
      lineHeight: size.base * 1.4,
      color: shade.ink,
      paddingVertical: space.small,
    },
  });
const STYLES = { booth: stylesIn(shades.booth), daylight: stylesIn(shades.daylight) } as const;
