import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Text } from './Text';

/** Rows of text under headings; wider than the screen it scrolls sideways. */
export const Table = ({
  columns,
  rows,
  testID,
}: {
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  testID?: string;
}) => (
  <ScrollView horizontal testID={testID}>
    <View role="table">
      <View role="row" style={styles.row}>
        {columns.map((text) => (
          <Text key={text} role="columnheader" style={[styles.cell, styles.head]}>
            {text}
          </Text>
        ))}
      </View>
      {rows.map((row, index) => (
        <View key={index} role="row" style={[styles.row, styles.rule]}>
          {row.map((text, column) => (
            <Text key={column} role="cell" style={[styles.cell, styles.value]}>
              {text}
            </Text>
          ))}
        </View>
      ))}
    </View>
  </ScrollView>
);

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'flex-end' },
  rule: { borderTopWidth: measure.hairline, borderTopColor: colour.hairline },
  cell: { width: measure.column, paddingVertical: space.tight, paddingRight: space.small },
  head: { fontFamily: font.label, fontSize: size.small, color: colour.quiet },
  value: { fontFamily: font.heading, fontSize: size.large, color: colour.ink, fontVariant: ['tabular-nums'] },
});
