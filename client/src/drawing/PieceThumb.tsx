import type { PartPlan } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { PartThumb } from './PartThumb';
import type { DrawnArea } from './shapes';

/** A small still picture of the whole piece: its parts side by side. */
export function PieceThumb({
  parts,
  areasOf,
  width,
  height,
}: {
  parts: readonly PartPlan[];
  areasOf: (part: PartPlan) => readonly DrawnArea[];
  width: number;
  height: number;
}) {
  const across = Math.ceil(Math.sqrt(parts.length));
  const down = Math.ceil(parts.length / across);
  return (
    <View style={[styles.whole, { width, height }]}>
      {parts.map((part) => (
        <PartThumb key={part.id} part={part} areas={areasOf(part)} width={width / across} height={height / down} />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ whole: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'center' } });
