import { phrase } from '@lintrel/words';
import type { PropsWithChildren } from 'react';
import { StyleSheet, type TextStyle, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, font, size, space } from '@/theme/theme';
import { Text } from './Text';

interface WordsProps {
  readonly tone?: 'ink' | 'quiet' | 'calm' | 'caution' | 'accent';
  readonly style?: TextStyle;
  readonly lines?: number;
}

const toneOf = (tone: WordsProps['tone'] = 'ink') => ({ color: colour[tone] });

/** Heading of a screen. */
export const Title = ({ children, style }: PropsWithChildren<WordsProps>) => (
  <Text role="heading" aria-level={1} style={[styles.title, style]}>
    {children}
  </Text>
);

/** Heading of a section. */
export const Heading = ({ children, tone, style }: PropsWithChildren<WordsProps>) => (
  <Text role="heading" aria-level={2} style={[styles.heading, toneOf(tone), style]}>
    {children}
  </Text>
);

/** Text to be read. */
export const Body = ({ children, tone, style, lines }: PropsWithChildren<WordsProps>) => (
  <Text numberOfLines={lines} style={[styles.body, toneOf(tone), style]}>
    {children}
  </Text>
);

/** Labels and side notes. */
export const Small = ({ children, tone = 'quiet', style, lines }: PropsWithChildren<WordsProps>) => (
  <Text numberOfLines={lines} style={[styles.small, toneOf(tone), style]}>
    {children}
  </Text>
);

/** A number: its label small above, its unit beside. */
export const Figure = ({
  label,
  value,
  unit,
  large = false,
}: {
  label: string;
  value: string;
  unit?: string;
  large?: boolean;
}) => {
  const { text } = useWords();
  return (
    <View style={styles.figure} accessible accessibilityLabel={text(phrase`${label}: ${value} ${unit ?? ''}`)}>
      <Text style={[styles.small, toneOf('quiet')]}>{label}</Text>
      <Text style={[styles.number, large && styles.numberLarge]}>
        {value}
        {unit ? <Text style={styles.unit}> {unit}</Text> : null}
      </Text>
    </View>
  );
};

const styles = StyleSheet.create({
  title: { fontFamily: font.heading, fontSize: size.title, lineHeight: size.title * 1.2, color: colour.ink },
  heading: { fontFamily: font.heading, fontSize: size.large, lineHeight: size.large * 1.3 },
  body: { fontFamily: font.body, fontSize: size.base, lineHeight: size.base * 1.4 },
  small: { fontFamily: font.label, fontSize: size.small, lineHeight: size.small * 1.35 },
  figure: { gap: space.hair, minWidth: 72, maxWidth: '100%' },
  number: { fontFamily: font.heading, fontSize: size.large, color: colour.ink, fontVariant: ['tabular-nums'] },
  numberLarge: { fontSize: size.title },
  unit: { fontFamily: font.label, fontSize: size.base, color: colour.quiet },
});
