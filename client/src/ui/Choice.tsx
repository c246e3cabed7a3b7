import { phrase } from '@lintrel/words';
import { Pressable, StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Text } from './Text';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** A choice of a few options; the selected one is filled and underlined. */
export function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  const { text } = useWords();
  return (
    <View style={styles.group}>
      <Text style={styles.label}>{label}</Text>
      <View style={styles.row} role="radiogroup" aria-label={text(label)}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={chosen}
              aria-label={text(phrase`${label}: ${option.label}`)}
              onPress={() => onChange(option.value)}
              style={[styles.option, chosen && styles.chosen]}
            >
              <Text style={[styles.word, chosen && styles.wordChosen]}>{option.label}</Text>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.tight },
  label: { fontFamily: font.label, fontSize: size.small, color: colour.quiet },
  row: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.tight, rowGap: space.tight },
  option: {
    minHeight: measure.target,
    justifyContent: 'center',
    paddingHorizontal: space.middle,
    borderBottomWidth: 3,
    borderBottomColor: colour.hairline,
  },
  chosen: { borderBottomColor: colour.calm, backgroundColor: colour.ground },
  word: { fontFamily: font.label, fontSize: size.base, color: colour.quiet },
  wordChosen: { fontFamily: font.heading, color: colour.ink },
});
