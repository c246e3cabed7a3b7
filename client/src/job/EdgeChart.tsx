import { cleanEdge, edgeRisk, type PullWindows } from '@lintrel/core';
import { showMinutes } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { useWords } from '@/person/PersonContext';
import { colour, font, size, space } from '@/theme/theme';
import { Small } from '@/ui/Words';

const POINTS = 48;
const LABELS = 4;
/** What is written along its foot needs a quarter of it and two lines. */
const HEIGHT = 190;

/** How clean an edge may come out against the time its tape is pulled at: the three windows explain themselves. */
export default function EdgeChart({ windows, buildUm, dwellMin, endMin }: { windows: PullWindows; buildUm: number; dwellMin: number; endMin: number }) {
  const { text } = useWords();
  const [width, setWidth] = useState(0);
  const at = Array.from({ length: POINTS + 1 }, (_, index) => (index / POINTS) * endMin);
  const clean = at.map((min) => Math.round(100 * cleanEdge(edgeRisk(windows, min, buildUm, dwellMin))));
  const every = Math.ceil(at.length / LABELS);
  const worst = at[clean.indexOf(Math.min(...clean))]!;
  return (
    <View
      style={styles.chart}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      testID="edge-chart"
      role="img"
      aria-label={text(phrase`How clean the edge comes out against the time of the pull; worst about ${showMinutes(Math.round(worst))} after the last coat`)}
    >
      <Small>How clean the edge comes out if the tape is pulled then, 100 is best (rule of thumb, nothing measured)</Small>
      {width > 0 ? (
        <LineChart
          data={{ labels: at.map((min, index) => (index % every === 0 ? roundly(min) : '')), datasets: [{ data: clean }] }}
          width={width}
          height={HEIGHT}
          fromZero
          withDots={false}
          withShadow={false}
          withVerticalLines={false}
          segments={2}
          chartConfig={{
            backgroundGradientFrom: colour.ground,
            backgroundGradientTo: colour.ground,
            decimalPlaces: 0,
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

/** A time along the foot: whole hours where there are some. */
const roundly = (min: number): string => (min < 180 ? showMinutes(Math.round(min)) : showMinutes(Math.round(min / 60) * 60));

const styles = StyleSheet.create({ chart: { gap: space.tight }, graph: { marginLeft: -space.base } });
