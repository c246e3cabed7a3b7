import type { PartPlan, Shelf } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { finalAreas } from '@/drawing/paint';
import { PartDrawing } from '@/drawing/PartDrawing';
import { colour, measure, space } from '@/theme/theme';
import { Heading } from '@/ui/Typography';
import type { OtherDrawing } from './Schemes';

/** Two schemes drawn large, one below the other: parts are mostly long. */
export const SideBySide = ({ part, other, shelf }: { part: PartPlan; other: OtherDrawing; shelf: Shelf }) => (
  <View style={styles.both}>
    {([part, other.part] as const).map((drawn, index) => (
      <View key={other.names[index]} style={[styles.one, index > 0 && styles.rule]}>
        <View style={styles.name}>
          <Heading>{other.names[index]}</Heading>
        </View>
        <PartDrawing part={drawn} areas={finalAreas(drawn.areas, shelf)} codes="areas" />
      </View>
    ))}
  </View>
);

const styles = StyleSheet.create({
  both: { flex: 1 },
  one: { flex: 1 },
  name: { paddingHorizontal: space.base, paddingTop: space.small },
  rule: { borderTopWidth: measure.hairline, borderTopColor: colour.hairline },
});
