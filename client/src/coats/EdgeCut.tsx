import type { EdgeRidge, EdgeSection, SectionLayer } from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { useId, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text } from 'react-native-svg';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';

interface Placed extends SectionLayer {
  readonly y: number;
  readonly high: number;
}

/** Minimum height of a film in the drawing; height of an unmeasured one. */
const LEAST_HIGH = 4;
const UNKNOWN_HIGH = 16;
const SUBSTRATE_HIGH = 18;
const LINE_HIGH = 16;
const TOP = 26;

/** Layers of one side from below upwards, as heights on screen. */
function placed(layers: readonly SectionLayer[], dpPerUm: number): Placed[] {
  let y = 0;
  return layers.map((layer) => {
    const high = layer.um === null ? UNKNOWN_HIGH : Math.max(LEAST_HIGH, layer.um * dpPerUm);
    const low = y;
    y += high;
    return { ...layer, y: low, high };
  });
}

const thick = (layers: readonly SectionLayer[]): number => layers.reduce((sum, { um }) => sum + (um ?? 0), 0);

/** The cut through an edge: layers from the substrate up, thickness in µm, the tape as a block, the ridge marked. */
export function EdgeCut({ section, ridge, ridged }: { section: EdgeSection; ridge: EdgeRidge; ridged: boolean }) {
  const { text } = useWords();
  const [width, setWidth] = useState(0);
  const id = `cut${useId().replace(/[^A-Za-z0-9]/g, '')}`;
  const height = measure.section;
  const most = Math.max(60, thick(section.left.layers), thick(section.right.layers));
  const room = height - TOP - SUBSTRATE_HIGH - UNKNOWN_HIGH - space.middle;
  const dpPerUm = room / most;
  const ground = height - SUBSTRATE_HIGH;
  const margin = Math.min(150, width * 0.3);
  const sides = [
    { ...section.left, x: margin, width: width / 2 - margin, label: margin - 6, anchor: 'end' as const },
    { ...section.right, x: width / 2, width: width / 2 - margin, label: width - margin + 6, anchor: 'start' as const },
  ];
  const words = phrase`Cut through the edge between ${section.left.area} and ${section.right.area}: ${phrases(
    sides.map(({ area, layers }) => phrase`${area}, from below: ${phrases(layers.map(layerWords))}`),
    '; ',
  )}`;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} style={styles.cut}>
      {width > 0 ? (
        <Svg width={width} height={height} role="img" aria-label={text(words)} testID="edge-cut">
          <Defs>
            <Pattern id={id} patternUnits="userSpaceOnUse" width={7} height={7}>
              <Path d="M0 7L7 0" stroke={colour.quiet} strokeWidth={1} />
            </Pattern>
          </Defs>
          <Rect x={margin} y={ground} width={width - 2 * margin} height={SUBSTRATE_HIGH} fill={`url(#${id})`} />
          <Line x1={margin} x2={width - margin} y1={ground} y2={ground} stroke={colour.ink} strokeWidth={2} />
          {sides.map((side) => (
            <SideCut key={side.x} side={side} ground={ground} dpPerUm={dpPerUm} />
          ))}
          <Line
            x1={width / 2}
            x2={width / 2}
            y1={TOP - 8}
            y2={ground}
            stroke={colour.ink}
            strokeWidth={1}
            strokeDasharray="6 3 1 3"
          />
          {ridged && ridge.stage !== null ? (
            <Ridge section={section} ridge={ridge} ground={ground} middle={width / 2} dpPerUm={dpPerUm} />
          ) : null}
          {sides.map(({ area, x, width: wide }) => (
            <Text
              key={area}
              x={x + wide / 2}
              y={14}
              textAnchor="middle"
              fontFamily={font.heading}
              fontSize={size.base}
              fill={colour.ink}
            >
              {area}
            </Text>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

const layerWords = ({ kind, id, name, um }: SectionLayer): string =>
  kind === 'tape'
    ? phrase`tape ${id ?? 'by hand'}${um === null ? '' : phrase` ${um.toFixed(0)} µm`}`
    : um === null
      ? (name ?? 'what is there now')
      : phrase`${shortName(name ?? '')} ${um.toFixed(0)} µm`;

/** The name without its system: there is little room beside a layer. */
const shortName = (name: string): string => name.split(',')[0]!;

interface Side {
  readonly layers: readonly SectionLayer[];
  readonly x: number;
  readonly width: number;
  readonly label: number;
  readonly anchor: 'start' | 'end';
}

function SideCut({ side, ground, dpPerUm }: { side: Side; ground: number; dpPerUm: number }) {
  const { text } = useWords();
  const layers = placed(side.layers, dpPerUm);
  const labels = spread(layers.map(({ y, high }) => ground - y - high / 2));
  const edge = side.anchor === 'end' ? side.x : side.x + side.width;
  return (
    <G>
      {layers.map((layer, index) => (
        <G key={index}>
          <Rect
            x={side.x}
            y={ground - layer.y - layer.high}
            width={side.width}
            height={layer.high}
            fill={layer.kind === 'tape' ? colour.ink : layer.colour}
            fillOpacity={layer.kind === 'tape' ? 0.62 : 1}
            stroke={colour.ink}
            strokeWidth={layer.kind === 'tape' ? 1.5 : 0.5}
          />
          {layer.kind === 'tape' ? (
            <Text
              x={side.x + side.width / 2}
              y={ground - layer.y - layer.high / 2 + 5}
              textAnchor="middle"
              fontFamily={font.heading}
              fontSize={size.base}
              fill={colour.onDark}
            >
              {layer.id ?? text('by hand')}
            </Text>
          ) : null}
          <Path
            d={`M${edge} ${ground - layer.y - layer.high / 2}L${side.label + (side.anchor === 'end' ? 3 : -3)} ${labels[index]}`}
            stroke={colour.quiet}
            strokeWidth={0.75}
          />
          <Text
            x={side.label}
            y={labels[index]! + 4}
            textAnchor={side.anchor}
            fontFamily={font.label}
            fontSize={size.small}
            fill={colour.ink}
          >
            {text(layerWords(layer))}
          </Text>
        </G>
      ))}
    </G>
  );
}

/** Heights of labels, from below upwards, far enough apart to be read. */
function spread(wanted: readonly number[]): number[] {
  const placedAt: number[] = [];
  for (const y of wanted) placedAt.push(Math.min(y, (placedAt.at(-1) ?? Infinity) - LINE_HIGH));
  return placedAt;
}

/** The bump the tape leaves on the edge of what was sprayed against it. */
function Ridge({
  section,
  ridge,
  ground,
  middle,
  dpPerUm,
}: {
  section: EdgeSection;
  ridge: EdgeRidge;
  ground: number;
  middle: number;
  dpPerUm: number;
}) {
  const { text } = useWords();
  const has = (layers: readonly SectionLayer[]) =>
    layers.some(({ stage, kind }) => kind === 'film' && stage === ridge.stage);
  const side = has(section.left.layers) ? section.left : has(section.right.layers) ? section.right : null;
  if (!side) return null;
  const sign = side === section.left ? -1 : 1;
  const layers = placed(side.layers, dpPerUm);
  const film = layers.find(({ stage, kind }) => kind === 'film' && stage === ridge.stage);
  if (!film) return null;
  const top = ground - film.y - film.high;
  const bump = Math.max(6, (ridge.ridgeUm - (film.um ?? 0)) * dpPerUm);
  return (
    <G>
      <Path
        d={`M${middle} ${top}Q${middle + sign * 5} ${top - 2 * bump} ${middle + sign * 16} ${top}Z`}
        fill={film.colour}
        stroke={colour.accent}
        strokeWidth={1.5}
      />
      <Text
        x={middle + sign * 22}
        y={top - bump - 6}
        textAnchor={sign > 0 ? 'start' : 'end'}
        fontFamily={font.heading}
        fontSize={size.small}
        fill={colour.accent}
      >
        {text(phrase`ridge ${ridge.ridgeUm.toFixed(0)} µm`)}
      </Text>
    </G>
  );
}

const styles = StyleSheet.create({ cut: { minHeight: measure.section } });
