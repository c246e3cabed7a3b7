import type { PropsWithChildren } from 'react';
import { type Role, StyleSheet, View } from 'react-native';
import { colour, measure, size, space } from '@/theme/theme';
import { Text } from './Text';

interface BarProps {
  readonly text: string;
  readonly role?: Role;
  readonly testID?: string;
}

/** A message across the top of every screen, with actions. */
export const Bar = ({ text, role = 'status', testID, children }: PropsWithChildren<BarProps>) => (
  <View style={styles.bar} role={role} testID={testID}>
    <Text style={styles.words}>{text}</Text>
    {children}
  </View>
);

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.small,
    minHeight: measure.target,
    paddingHorizontal: space.base,
    paddingVertical: space.tight,
    backgroundColor: colour.sheet,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
  words: { flexGrow: 1, flexShrink: 1, fontSize: size.base, color: colour.ink },
});
