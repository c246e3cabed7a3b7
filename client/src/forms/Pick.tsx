import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { HelperText } from 'react-native-paper';
import { useFaultWords, useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Icon } from '@/ui/Icon';
import { Swatch } from '@/ui/Row';
import { Text } from '@/ui/Text';

interface PickOption<T extends string> {
  readonly value: T;
  readonly label: string;
  readonly colour?: string;
}

interface PickProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly PickOption<T>[];
  readonly onChange: (value: T) => void;
  readonly fault?: string;
}

/** One of many: closed it shows the choice, open the whole list. */
export function Pick<T extends string>({ label, value, options, onChange, fault }: PickProps<T>) {
  const { text } = useWords();
  const faultWords = useFaultWords();
  const [open, setOpen] = useState(false);
  const chosen = options.find((option) => option.value === value);
  return (
    <View style={styles.group}>
      <Text style={styles.label}>{label}</Text>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={text(phrase`${label}: ${chosen?.label ?? 'nothing chosen'}`)}
        onPress={() => setOpen(!open)}
        style={styles.closed}
      >
        {chosen?.colour ? <Swatch colour={chosen.colour} /> : null}
        <Text style={styles.word}>{chosen?.label ?? 'Choose'}</Text>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} size={size.title} color={colour.quiet} />
      </Pressable>
      {open ? (
        <ScrollView style={styles.list} nestedScrollEnabled role="radiogroup">
          {options.map((option) => (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={option.value === value}
              onPress={() => {
                onChange(option.value);
                setOpen(false);
              }}
              style={[styles.option, option.value === value && styles.chosen]}
            >
              {option.colour ? <Swatch colour={option.colour} /> : null}
              <Text style={styles.word}>{option.label}</Text>
            </Pressable>
          ))}
        </ScrollView>
      ) : null}
      {fault ? (
        <HelperText type="error" role="alert">
          {faultWords(fault)}
        </HelperText>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.tight },
  label: { fontFamily: font.label, fontSize: size.small, color: colour.quiet },
  closed: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    minHeight: measure.target,
    paddingHorizontal: space.middle,
    borderWidth: measure.hairline,
    borderColor: colour.quiet,
    borderRadius: measure.corner,
    backgroundColor: colour.sheet,
  },
  list: {
    maxHeight: 5 * measure.target,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
    backgroundColor: colour.sheet,
  },
  option: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    minHeight: measure.target,
    paddingHorizontal: space.middle,
  },
  chosen: { backgroundColor: colour.ground, borderLeftWidth: 4, borderLeftColor: colour.calm },
  word: { flex: 1, fontFamily: font.label, fontSize: size.base, color: colour.ink },
});
