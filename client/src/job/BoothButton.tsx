import { Pressable, StyleSheet } from 'react-native';
import { booth, font, measure, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useWords } from '@/person/PersonContext';

/** A big button for a gloved hand, dark like the booth. */
export const BoothButton = ({
  label,
  spoken = label,
  onPress,
  rank = 'other',
  disabled = false,
  testID,
}: {
  label: string;
  /** What a screen reader says, where the label is a sign. */
  spoken?: string;
  onPress: () => void;
  /** `main`: the thing to do now; `calm`: the same before its time. */
  rank?: 'main' | 'calm' | 'other';
  disabled?: boolean;
  testID?: string;
}) => {
  const { text } = useWords();
  return (
    <Pressable
      role="button"
      aria-label={text(spoken)}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={[styles.button, rank !== 'other' && styles.first, rank === 'main' && styles.main, rank === 'calm' && styles.calm, disabled && styles.disabled]}
    >
      <Text style={[styles.word, rank === 'main' && styles.wordMain, rank === 'calm' && styles.wordCalm]}>{label}</Text>
    </Pressable>
  );
};

const styles = StyleSheet.create({
  button: {
    flexGrow: 1,
    minHeight: measure.runTarget,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: space.base,
    borderWidth: 2,
    borderColor: booth.quiet,
    borderRadius: measure.corner,
  },
  first: { minHeight: measure.runTarget + space.base },
  main: { backgroundColor: booth.accent, borderColor: booth.accent },
  calm: { backgroundColor: booth.calm, borderColor: booth.calm },
  disabled: { opacity: 0.5 },
  word: { fontFamily: font.heading, fontSize: size.large, color: booth.ink, textAlign: 'center' },
  wordMain: { fontSize: size.title, color: booth.onAccent },
  wordCalm: { fontSize: size.title },
});
