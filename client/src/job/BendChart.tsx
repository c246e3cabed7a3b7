import type { LineAnalysis } from '@lintrel/core';
import { showLength } from '@lintrel/core/front';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { colour, font, size, space } from '@/theme/theme';
import { Small } from '@/ui/Words';
import { useWords } from '@/person/PersonContext';

/** Values the chart is drawn from, and labels along its foot. */
const POINTS = 40;
const LABELS = 5;
const HEIGHT = 190;

/** Bend along a line: above the middle it bends to the left, below to the right; the farther off, the tighter. */
export default function BendChart({ bends, unit }: { bends: LineAnalysis['bends']; unit: 'mm' | 'in' }) {
  const { text } = useWords();
  const [width, setWidth] = useState(0);
  const every = Math.max(1, Math.floor(bends.length / POINTS));
  const shown = bends.filter((_, index) => index % every === 0);
  // Per metre, so that the numbers are not all zeros: 1 is a radius of a metre.
  const perMetre = shown.map(([, bend]) => bend * 1000);
  const labelEvery = Math.ceil(shown.length / LABELS);
  return (
    <View
      style={styles.chart}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      role="img"
      aria-label={text('Chart of the bend along the line')}
    >
      <Small>Bend along the line, 1 ÷ radius in m: above 0 to the left, below 0 to the right</Small>
      {width > 0 && shown.length > 1 ? (
        <LineChart
          data={{
            labels: shown.map(([at], index) => (index % labelEvery === 0 ? showLength(Math.round(at), unit) : '')),
            datasets: [{ data: perMetre }],
          }}
          width={width}
          height={HEIGHT}
          withDots={false}
          withShadow={false}
          withVerticalLines={false}
          segments={3}
          chartConfig={{
            backgroundGradientFrom: colour.ground,
            backgroundGradientTo: colour.ground,
            decimalPlaces: 2,
            color: () => colour.calm,
            labelColor: () => colour.quiet,
            propsForBackgroundLines: { stroke: colour.hairline, strokeDasharray: '' },
            propsForLabels: { fontFamily: font.label, fontSize: size.small },
            strokeWidth: 2,
          }}
          style={styles.graph}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ chart: { gap: space.tight, minHeight: HEIGHT }, graph: { paddingRight: 52 } });
