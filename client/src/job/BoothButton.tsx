import { Pressable, StyleSheet } from 'react-native';
import { booth, font, measure, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useWords } from '@/person/PersonContext';

/** A big button for a gloved hand, dark like the booth. */
export const BoothButton = ({
  label,
  onPress,
  main = false,
  disabled = false,
  testID,
}: {
  label: string;
  onPress: () => void;
  main?: boolean;
  disabled?: boolean;
  testID?: string;
}) => {
  const { text } = useWords();
  return (
    <Pressable
      role="button"
      aria-label={text(label)}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={[styles.button, main && styles.main, disabled && styles.disabled]}
    >
      <Text style={[styles.word, main && styles.wordMain]}>{label}</Text>
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
  main: { backgroundColor: booth.accent, borderColor: booth.accent, minHeight: measure.runTarget + space.base },
  disabled: { opacity: 0.5 },
  word: { fontFamily: font.heading, fontSize: size.large, color: booth.ink, textAlign: 'center' },
  wordMain: { fontSize: size.title, color: booth.onAccent },
});
