import type { Sketch, SketchStroke } from '@lintrel/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Path, Text } from 'react-native-svg';
import { boxRound, openPath } from '@/drawing/path';
import { fitBoxStill, transformOf } from '@/drawing/view';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size } from '@/theme/theme';

const TONES: Readonly<
  Record<SketchStroke['tone'], { readonly fill: string; readonly stroke: string; readonly dp: number }>
> = {
  fill: { fill: colour.ground, stroke: colour.ink, dp: 1.5 },
  tape: { fill: colour.hairline, stroke: colour.ink, dp: 1 },
  ink: { fill: 'none', stroke: colour.ink, dp: 2 },
  quiet: { fill: 'none', stroke: colour.quiet, dp: 1 },
  mark: { fill: colour.calm, stroke: colour.calm, dp: 3.5 },
};

/** Fraction of the height kept free for labels at the border. */
const WORD_AIR = 0.05;

/** A small true drawing of an answer. */
export function AnswerSketch({ sketch, label }: { sketch: Sketch; label: string }) {
  const { say, text } = useWords();
  const [width, setWidth] = useState(0);
  const places = [...sketch.strokes.flatMap(({ points }) => points), ...sketch.words.map(({ at }) => at)];
  if (places.length === 0) return null;
  const round = boxRound(places);
  // Words reach beyond the place they stand at.
  const air = sketch.words.length > 0 ? (round.maxY - round.minY) * WORD_AIR : 0;
  const box = { ...round, minY: round.minY - air, maxY: round.maxY + air };
  const wanted = ((box.maxY - box.minY) / Math.max(1e-6, box.maxX - box.minX)) * width;
  const height = Math.max(measure.target, Math.min(measure.pictureWide, wanted)) + 8;
  const view = fitBoxStill(box, { width: Math.max(1, width - 8), height });
  return (
    <View style={styles.sketch} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      {width > 0 ? (
        <Svg width={width} height={height} role="img" aria-label={text(label)} testID="sketch">
          <G transform={`translate(4 0) ${transformOf(view, height)}`}>
            {sketch.strokes.map(({ tone, points, colour: paint }, index) => {
              const { fill, stroke, dp } = TONES[tone];
              if (tone === 'mark')
                return <Circle key={index} cx={points[0]![0]} cy={points[0]![1]} r={dp * view.mmPerDp} fill={fill} />;
              return (
                <Path
                  key={index}
                  d={openPath(points)}
                  fill={paint ?? fill}
                  stroke={stroke}
                  strokeWidth={dp * view.mmPerDp}
                />
              );
            })}
            {sketch.words.map(({ at, what }) => (
              <Text
                key={at.join()}
                transform={`translate(${at[0]} ${at[1]}) scale(${view.mmPerDp} ${-view.mmPerDp})`}
                fontFamily={font.heading}
                fontSize={size.small}
                fill={colour.ink}
                textAnchor="middle"
                dy={size.small / 3}
              >
                {say(what)}
              </Text>
            ))}
          </G>
        </Svg>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ sketch: { minHeight: measure.target } });
