import type { Picture, ViewPoint } from '@lintrel/core';
import { useMemo, useRef, useState } from 'react';
import { PanResponder, StyleSheet, View } from 'react-native';
import Svg, { G, Path } from 'react-native-svg';
import { openPath, ringPath } from '@/drawing/path';
import { fitBoxStill, transformOf } from '@/drawing/view';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { useWide } from '@/theme/useWide';
import { Choice } from '@/ui/Choice';
import { Small } from '@/ui/Typography';
import { useView } from '@/worker/useSession';

const SLANTED = { turnDeg: 32, riseDeg: 22 } as const;
const VIEWS = [
  { value: 'slanted', label: 'Slanted' },
  { value: 'side', label: 'Side' },
  { value: 'top', label: 'Top' },
  { value: 'end', label: 'End' },
] as const;
type View4 = (typeof VIEWS)[number]['value'];

/** The whole piece from its parts, as seen from four sides; on a wide screen the slanted view is turned by dragging. */
export function WholePiece({ fills = false }: { fills?: boolean }) {
  const { design } = useJob();
  const wide = useWide();
  const [view, setView] = useState<View4>('slanted');
  const [turned, setTurned] = useState<{ turnDeg: number; riseDeg: number }>(SLANTED);
  const [frame, setFrame] = useState({ width: 0, height: 0 });
  const look: ViewPoint = view === 'slanted' ? turned : { view };
  const { output: picture } = useView('picture', { look });
  const now = useRef(turned);
  now.current = turned;
  const turning = useMemo(() => turnByDrag(() => now.current, setTurned), []);
  if (design.parts.length === 0) return null;
  return (
    <View style={[styles.whole, fills && styles.fills]}>
      <Choice label="The whole piece, from its parts" value={view} options={VIEWS} onChange={setView} />
      <View
        style={[styles.picture, fills ? styles.fill : styles.high]}
        onLayout={({ nativeEvent: { layout } }) => setFrame({ width: layout.width, height: layout.height })}
        {...(view === 'slanted' && wide ? turning.panHandlers : {})}
      >
        {picture && frame.width > 0 ? <Drawn picture={picture} {...frame} /> : <Small>Drawing it …</Small>}
      </View>
      {view === 'slanted' && wide ? <Small>Drag to turn it</Small> : null}
    </View>
  );
}

function Drawn({ picture, width, height }: { picture: Picture; width: number; height: number }) {
  const { text } = useWords();
  const view = fitBoxStill(picture.box, { width, height });
  return (
    <Svg width={width} height={height} role="img" aria-label={text('The whole piece')}>
      <G transform={transformOf(view, height)}>
        {picture.patches.map(({ colour: paint, points, back }, index) => (
          <Path
            key={index}
            d={ringPath(points)}
            fill={back ? colour.ground : paint}
            stroke={back ? colour.hairline : paint}
            strokeWidth={0.6 * view.mmPerDp}
          />
        ))}
        {picture.rims.map(({ points }, index) => (
          <Path key={index} d={openPath(points)} fill="none" stroke={colour.quiet} strokeWidth={view.mmPerDp} />
        ))}
        {picture.lines.map(({ points }, index) => (
          <Path key={index} d={openPath(points)} fill="none" stroke={colour.ink} strokeWidth={1.25 * view.mmPerDp} />
        ))}
      </G>
    </Svg>
  );
}

/** Half a degree for every dp of the finger. */
const DEGREES_PER_DP = 0.5;

function turnByDrag(
  current: () => { turnDeg: number; riseDeg: number },
  set: (turned: { turnDeg: number; riseDeg: number }) => void,
) {
  let start = current();
  return PanResponder.create({
    onMoveShouldSetPanResponder: (_, { dx, dy }) => Math.hypot(dx, dy) > 4,
    onPanResponderGrant: () => {
      start = current();
    },
    onPanResponderMove: (_, { dx, dy }) =>
      set({
        turnDeg: Math.round(start.turnDeg + dx * DEGREES_PER_DP),
        riseDeg: Math.round(Math.max(-80, Math.min(80, start.riseDeg + dy * DEGREES_PER_DP))),
      }),
  });
}

const styles = StyleSheet.create({
  whole: { gap: space.small },
  fills: { flex: 1, padding: space.base, backgroundColor: colour.sheet },
  picture: { backgroundColor: colour.sheet, userSelect: 'none' },
  fill: { flex: 1 },
  high: { height: measure.picture },
});
