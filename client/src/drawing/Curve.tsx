import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { useWords } from '@/person/PersonContext';
import { colour, font, size, space } from '@/theme/theme';
import { Small } from '@/ui/Typography';

/** What is written along its foot needs a quarter of it and two lines. */
const HEIGHT = 190;

export interface CurveProps {
  /** What it shows, above it. */
  readonly title: string;
  /** Description for screen readers. */
  readonly spoken: string;
  readonly values: readonly number[];
  /** One a value; empty: nothing is written there. */
  readonly labels: readonly string[];
  readonly decimals: number;
  readonly fromZero?: boolean;
  readonly segments: number;
  readonly testID?: string;
}

/** A curve over even steps, as wide as the container. */
export default function Curve({
  title,
  spoken,
  values,
  labels,
  decimals,
  fromZero = false,
  segments,
  testID,
}: CurveProps) {
  const { text } = useWords();
  const [width, setWidth] = useState(0);
  return (
    <View
      style={styles.chart}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      testID={testID}
      role="img"
      aria-label={text(spoken)}
    >
      <Small>{title}</Small>
      {width > 0 && values.length > 1 ? (
        <LineChart
          data={{ labels: labels.map((label) => text(label)), datasets: [{ data: [...values] }] }}
          width={width}
          height={HEIGHT}
          fromZero={fromZero}
          withDots={false}
          withShadow={false}
          withVerticalLines={false}
          segments={segments}
          chartConfig={{
            backgroundGradientFrom: colour.ground,
            backgroundGradientTo: colour.ground,
            decimalPlaces: decimals,
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
