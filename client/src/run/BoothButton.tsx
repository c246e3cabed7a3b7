import { Pressable, StyleSheet } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { useShade } from '@/run/shade';
import { font, measure, type Shade, shades, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** A big button for a gloved hand, lit as the run sheet is. */
export const BoothButton = ({
  label,
  spoken = label,
  onPress,
  rank = 'other',
  disabled = false,
  testID,
}: {
  label: string;
  /** Screen-reader label, if the visible label is a symbol. */
  spoken?: string;
  onPress: () => void;
  /** `main`: the current action; `calm`: the same before its time. */
  rank?: 'main' | 'calm' | 'other';
  disabled?: boolean;
  testID?: string;
}) => {
  const { text } = useWords();
  const styles = STYLES[useShade().name];
  return (
    <Pressable
      role="button"
      aria-label={text(spoken)}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={[
        styles.button,
        rank !== 'other' && styles.first,
        rank === 'main' && styles.main,
        rank === 'calm' && styles.calm,
        disabled && styles.disabled,
      ]}
    >
      <Text style={[styles.word, rank === 'main' && styles.wordMain, rank === 'calm' && styles.wordCalm]}>{label}</Text>
    </Pressable>
  );
};

const stylesIn = (shade: Shade) =>
  StyleSheet.create({
    button: {
      flexGrow: 1,
      minHeight: measure.runTarget,
      alignItems: 'center',
      justifyContent: 'center',
      paddingHorizontal: space.base,
      borderWidth: 2,
      borderColor: shade.quiet,
      borderRadius: measure.corner,
    },
    first: { minHeight: measure.runTarget + space.base },
    main: { backgroundColor: shade.accent, borderColor: shade.accent },
    calm: { backgroundColor: shade.calm, borderColor: shade.calm },
    disabled: { opacity: 0.5 },
    word: { fontFamily: font.heading, fontSize: size.large, color: shade.ink, textAlign: 'center' },
    wordMain: { fontSize: size.title, color: shade.onAccent },
    wordCalm: { fontSize: size.title, color: shade.onCalm },
  });
const STYLES = { booth: stylesIn(shades.booth), daylight: stylesIn(shades.daylight) } as const;
