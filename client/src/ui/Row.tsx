import { Children, type PropsWithChildren, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';

interface RowProps {
  readonly onPress?: () => void;
  readonly chosen?: boolean;
  readonly label: string;
  readonly before?: ReactNode;
  readonly after?: ReactNode;
  readonly testID?: string;
}

/** A line of a list, pressable when it leads somewhere. */
export function Row({ onPress, chosen = false, label, before, after, testID, children }: PropsWithChildren<RowProps>) {
  const { text } = useWords();
  const inside = (
    <>
      {before}
      <View style={styles.middle}>{children}</View>
      {after}
    </>
  );
  if (!onPress)
    return (
      <View style={styles.row} testID={testID}>
        {inside}
      </View>
    );
  return (
    <Pressable
      role="button"
      aria-label={text(label)}
      aria-pressed={chosen}
      onPress={onPress}
      testID={testID}
      style={[styles.row, chosen && styles.chosen]}
    >
      {inside}
    </Pressable>
  );
}

/** Rows below each other, with a hairline between them. */
export const Rows = ({ children }: PropsWithChildren) => (
  <View>
    {Children.toArray(children).map((row, index) => (
      <View key={index} style={index > 0 && styles.rule}>
        {row}
      </View>
    ))}
  </View>
);

/** What belongs to the chosen row, unfolded right below it. */
export const Unfolded = ({ children }: PropsWithChildren) => <View style={styles.unfolded}>{children}</View>;

/** A small square of paint. */
export const Swatch = ({ colour: paint }: { colour: string }) => (
  <View style={[styles.swatch, { backgroundColor: paint }]} />
);

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.middle,
    minHeight: measure.target,
    paddingVertical: space.small,
    paddingHorizontal: space.small,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
  },
  rule: { borderTopWidth: measure.hairline, borderTopColor: colour.hairline },
  unfolded: {
    gap: space.small,
    padding: space.small,
    borderLeftWidth: 4,
    borderLeftColor: colour.calm,
    backgroundColor: colour.ground,
  },
  chosen: { borderLeftColor: colour.calm, backgroundColor: colour.ground },
  middle: { flex: 1, gap: space.hair },
  swatch: {
    width: measure.swatch,
    height: measure.swatch,
    borderRadius: measure.corner,
    borderWidth: measure.hairline,
    borderColor: colour.quiet,
  },
});
