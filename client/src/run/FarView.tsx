import { decidingWindow, type RunningWindow, type Step, windowState } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { Modal, Pressable, StyleSheet, useWindowDimensions } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { font, type Shade, shades, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { clockTime, countdown } from '@/words';
import { useShade } from './shade';

/** Share of the width one letter of a large figure takes, and of the height a figure may take. */
const LETTERS_ACROSS = 3.4;
const MOST_HIGH = 0.36;

/** The current step and its time, readable from three metres through the booth window; a tap returns. */
export function FarView({
  step,
  running,
  now,
  onLeave,
}: {
  step: Step | null;
  running: readonly RunningWindow[];
  now: number;
  onLeave: () => void;
}) {
  const { say, time, text } = useWords();
  const styles = STYLES[useShade().name];
  const { width, height } = useWindowDimensions();
  const figure = Math.min(width / LETTERS_ACROSS, MOST_HIGH * height);
  const title = Math.min(figure / 2.2, 64);
  const window = decidingWindow(
    running.filter((runningWindow) => runningWindow.step === step?.id),
    now,
  );
  const state = window ? windowState(window, now) : null;
  const until = window && state === 'before' ? window.opens : (window?.closes ?? null);
  return (
    <Modal visible animationType="none" onRequestClose={onLeave}>
      <Pressable
        role="button"
        aria-label={text('Back to the run sheet')}
        onPress={onLeave}
        style={styles.far}
        testID="far"
      >
        <Text style={[styles.title, { fontSize: title, lineHeight: title * 1.1 }]}>
          {step ? say(step.say) : 'All steps are done'}
        </Text>
        {window && until !== null && state !== 'passed' ? (
          <>
            <Text style={[styles.what, state === 'open' && styles.open]}>
              {state === 'before'
                ? phrase`Not yet: ${time(window.code)} in`
                : phrase`Open now: ${time(window.code)}, left`}
            </Text>
            <Text
              style={[styles.figure, { fontSize: figure, lineHeight: figure * 1.05 }, state === 'open' && styles.open]}
            >
              {countdown(until - now)}
            </Text>
          </>
        ) : null}
        {state === 'open' && until === null ? (
          <Text style={[styles.figure, styles.open, { fontSize: figure / 1.6, lineHeight: figure / 1.4 }]}>Now</Text>
        ) : null}
        {state === 'passed' && window ? (
          <Text
            style={[styles.figure, styles.open, { fontSize: title, lineHeight: title * 1.2 }]}
          >{phrase`Passed at ${clockTime(window.closes ?? now, now)}`}</Text>
        ) : null}
        <Text style={styles.quiet}>Tap to go back. The phone stays outside the vapour.</Text>
      </Pressable>
    </Modal>
  );
}

const stylesIn = (shade: Shade) =>
  StyleSheet.create({
    far: {
      flex: 1,
      backgroundColor: shade.ground,
      padding: space.wide,
      justifyContent: 'center',
      alignItems: 'center',
      gap: space.base,
    },
    title: { fontFamily: font.heading, color: shade.ink, textAlign: 'center' },
    what: { fontFamily: font.heading, fontSize: size.title, color: shade.ink, textAlign: 'center' },
    figure: { fontFamily: font.heading, color: shade.ink, fontVariant: ['tabular-nums'], textAlign: 'center' },
    open: { color: shade.accent },
    quiet: { fontFamily: font.label, fontSize: size.base, color: shade.quiet },
  });
const STYLES = { booth: stylesIn(shades.booth), daylight: stylesIn(shades.daylight) } as const;
