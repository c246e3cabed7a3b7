import type { Technique } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { colour, measure } from '@/theme/theme';

/** Meaning of a stroke: the part, its trim line, tape, foam, cover, a blade or the direction of movement. */
type Pen = 'part' | 'line' | 'tape' | 'under' | 'foam' | 'cover' | 'blade' | 'hand';
type Stroke = readonly [pen: Pen, d: string];

/** An arrow from one place to another, its head at the end. */
const arrow = (x1: number, y1: number, x2: number, y2: number): string => {
  const angle = Math.atan2(y2 - y1, x2 - x1);
  const wing = (turn: number) =>
    `L${(x2 - 6 * Math.cos(angle + turn)).toFixed(1)} ${(y2 - 6 * Math.sin(angle + turn)).toFixed(1)}`;
  return `M${x1} ${y1}L${x2} ${y2}M${x2} ${y2}${wing(0.5)}M${x2} ${y2}${wing(-0.5)}`;
};

// Seen from above, or cut across where something goes under something else. A sheet of 96 by 56.
const SKETCHES: Partial<Readonly<Record<Technique['code'], readonly Stroke[]>>> = {
  'technique.sighted': [
    ['line', 'M6 36H90'],
    ['tape', 'M6 31H90'],
    ['hand', arrow(70, 14, 92, 14)],
    ['hand', arrow(6, 14, 6, 26)],
  ],
  'technique.steer': [
    ['line', 'M6 46C30 44 66 34 90 10'],
    ['tape', 'M6 41C28 39 62 30 86 6'],
    ['hand', arrow(50, 10, 64, 22)],
  ],
  'technique.stretch': [
    ['line', 'M10 48C14 20 40 8 88 10'],
    ['tape', 'M5 48C9 16 38 3 88 5'],
    ['hand', arrow(62, 28, 88, 18)],
    ['hand', arrow(34, 40, 22, 48)],
  ],
  'technique.one-tape': [
    ['line', 'M6 22H90M6 36H90'],
    ['tape', 'M6 29H90'],
    ['hand', arrow(48, 8, 48, 20)],
    ['hand', arrow(48, 52, 48, 40)],
  ],
  'technique.short': [
    ['line', 'M30 36H66'],
    ['tape', 'M30 31H66'],
    ['blade', 'M58 26L78 6M62 28L84 10'],
  ],
  'technique.closed': [
    ['line', 'M48 8A20 20 0 1 1 47 8'],
    ['tape', 'M54 6A23 23 0 1 1 44 5'],
    ['under', 'M44 5H58'],
    ['hand', arrow(80, 14, 64, 8)],
  ],
  'technique.corner': [
    ['line', 'M8 40H56V8'],
    ['tape', 'M8 45H74'],
    ['tape', 'M61 8V50'],
    ['blade', 'M58 38L72 52'],
  ],
  'technique.snip': [
    ['part', 'M6 40L48 30L90 44'],
    ['tape', 'M6 35L48 25L90 39'],
    ['blade', 'M48 25V10M44 12L52 12'],
    ['hand', arrow(72, 12, 72, 28)],
  ],
  'technique.guide': [
    ['line', 'M6 40H90'],
    ['under', 'M6 48H90'],
    ['tape', 'M6 35H28C31 28 37 28 40 35H60C63 28 69 28 72 35H90'],
    ['hand', arrow(34, 12, 34, 26)],
    ['hand', arrow(66, 12, 66, 26)],
  ],
  'technique.hollow': [
    ['part', 'M6 20H40L48 40L56 20H90'],
    ['tape', 'M6 15H38L48 35L58 15H90'],
    ['hand', arrow(48, 4, 48, 26)],
  ],
  'technique.press': [
    ['part', 'M6 40H40L48 26L56 40H90'],
    ['tape', 'M6 35H38L48 20L58 35H90'],
    ['hand', arrow(30, 8, 42, 20)],
    ['hand', arrow(66, 8, 54, 20)],
  ],
  'technique.trim': [
    ['line', 'M6 46L90 30M6 14L90 30'],
    ['tape', 'M6 41L66 30'],
    ['blade', 'M60 24L84 8'],
  ],
  'technique.texture': [
    ['part', 'M6 40L12 36L18 41L24 36L30 41L36 36L42 41L48 36L54 41L60 36L66 41L72 36L78 41L84 36L90 40'],
    ['tape', 'M10 33H86'],
    ['hand', arrow(30, 8, 30, 26)],
    ['hand', arrow(62, 8, 62, 26)],
  ],
  'technique.test-pull': [
    ['part', 'M6 46H90'],
    ['tape', 'M20 42H56'],
    ['tape', 'M56 42C70 42 74 34 60 28'],
    ['hand', arrow(62, 26, 40, 20)],
  ],
  'technique.de-tack': [
    ['cover', 'M10 44H86'],
    ['tape', 'M22 36C40 28 58 28 76 36'],
    ['hand', arrow(38, 10, 38, 24)],
    ['hand', arrow(58, 24, 58, 10)],
  ],
  'technique.cut-out': [
    ['cover', 'M12 8H84V48H12Z'],
    ['line', 'M36 16H60L64 40H32Z'],
    ['blade', 'M60 16L74 4'],
  ],
  'technique.cut-sheet': [
    ['cover', 'M8 8H88V48H8Z'],
    ['line', 'M18 16L30 40M30 16L18 40M42 16H54V40H42ZM66 16H80L70 40'],
    ['blade', 'M30 16L42 4'],
  ],
  'technique.rolled-back': [
    ['part', 'M6 46H90'],
    ['tape', 'M12 42H52C60 42 62 32 52 30H44'],
    ['hand', arrow(84, 12, 64, 34)],
  ],
  'technique.foam-gap': [
    ['part', 'M4 40H38V54M92 40H58V54'],
    ['foam', 'M48 40m-11 0a11 11 0 1 0 22 0a11 11 0 1 0 -22 0'],
    ['hand', arrow(48, 8, 48, 24)],
  ],
  'technique.back-mask': [
    ['part', 'M4 20H38V50M92 20H70V50'],
    ['tape', 'M43 24V50'],
    ['cover', 'M46 30H66V12H90'],
  ],
  'technique.tuck': [
    ['part', 'M4 40H46V52M92 40H50V52'],
    ['tape', 'M48 46V40L90 34'],
    ['blade', 'M48 36L38 8'],
  ],
  'technique.beside-edge': [
    ['part', 'M4 20H46V48'],
    ['under', 'M46 44H92'],
    ['tape', 'M50 40H90'],
    ['hand', arrow(60, 12, 52, 34)],
  ],
  'technique.own-edge': [
    ['under', 'M4 20H46V48'],
    ['part', 'M50 44H92'],
    ['tape', 'M8 16H46'],
    ['hand', arrow(34, 4, 44, 12)],
  ],
  'technique.outline': [
    ['part', 'M4 40H30V54M92 40H50V54'],
    ['foam', 'M40 42m-10 0a10 10 0 1 0 20 0a10 10 0 1 0 -20 0'],
    ['tape', 'M54 36H78'],
    ['cover', 'M70 33C80 30 86 24 92 12'],
  ],
  'technique.shut': [
    ['part', 'M4 40H42V54M92 40H50V54'],
    ['cover', 'M46 56V36C60 34 74 26 90 12'],
  ],
  'technique.hang-paper': [
    ['part', 'M4 16H60'],
    ['tape', 'M30 21H60'],
    ['cover', 'M58 23C62 34 58 44 64 52'],
  ],
  'technique.backing': [
    ['line', 'M6 46C34 44 66 34 90 10'],
    ['under', 'M6 32L32 28M28 30L56 20M52 22L76 4'],
    ['tape', 'M6 41C30 39 62 30 86 6'],
  ],
  'technique.backing-over': [
    ['line', 'M6 46C34 44 66 34 90 10'],
    ['tape', 'M6 41C30 39 62 30 86 6'],
    ['under', 'M6 32L32 28M28 30L56 20M52 22L76 4'],
    ['hand', arrow(84, 40, 66, 30)],
  ],
  'technique.slit': [
    ['under', 'M6 30H90'],
    ['part', 'M6 20H90'],
    ['tape', 'M6 33H90'],
    ['blade', 'M70 28L88 8M62 28H78'],
  ],
  'technique.gap': [
    ['line', 'M6 24H90M6 32H90'],
    ['tape', 'M6 18H90'],
    ['tape', 'M6 38H90'],
    ['hand', arrow(48, 52, 48, 44)],
    ['hand', arrow(48, 4, 48, 12)],
  ],
  'technique.low-pull': [
    ['part', 'M4 46H92'],
    ['tape', 'M4 41H56'],
    ['tape', 'M56 41C66 40 66 32 56 31L20 28'],
    ['hand', arrow(40, 20, 14, 18)],
  ],
  'technique.stop-short': [
    ['tape', 'M6 16H90'],
    ['tape', 'M62 4V52'],
    ['under', 'M6 36H52'],
    ['blade', 'M52 28V46'],
  ],
  'technique.end-clear': [
    ['tape', 'M62 4V52'],
    ['under', 'M6 36H56'],
    ['blade', 'M56 28V46'],
  ],
  'technique.pieces': [
    ['part', 'M48 18A10 10 0 1 1 47 18'],
    ['tape', 'M30 12L66 12'],
    ['tape', 'M66 14L66 44'],
    ['tape', 'M64 46L30 46'],
    ['tape', 'M30 44L30 16'],
  ],
  'technique.row-along': [
    ['line', 'M6 44H90'],
    ['part', 'M20 30H24M46 30H50M72 30H76'],
    ['tape', 'M4 36H16'],
    ['tape', 'M28 36H42'],
    ['tape', 'M54 36H68'],
    ['tape', 'M80 36H92'],
    ['hand', arrow(48, 8, 48, 22)],
  ],
  'technique.over-seam': [
    ['part', 'M4 48H92'],
    ['under', 'M10 44H52'],
    ['cover', 'M40 39H92'],
    ['tape', 'M30 34H56'],
  ],
  'technique.end-before-bend': [
    ['line', 'M6 46H50C70 46 80 30 82 8'],
    ['tape', 'M6 41H56'],
    ['tape', 'M44 38L76 22'],
    ['blade', 'M56 32L62 48'],
  ],
};

const WIDTHS: Readonly<Record<Pen, number>> = {
  part: 3,
  line: 1.5,
  tape: 7,
  under: 9,
  foam: 2.5,
  cover: 2,
  blade: 1.5,
  hand: 1.75,
};
const INK: Readonly<Record<Pen, string>> = {
  part: colour.ink,
  line: colour.ink,
  tape: colour.ink,
  under: colour.quiet,
  foam: colour.ink,
  cover: colour.quiet,
  blade: colour.accent,
  hand: colour.accent,
};

/** A small drawing of a technique; nothing if words are enough. The text beside it has the same content. */
export function TechniqueSketch({ code }: { code: Technique['code'] }) {
  const strokes = SKETCHES[code];
  if (!strokes) return null;
  return (
    <View style={styles.sheet} aria-hidden testID={`sketch-${code}`}>
      <Svg width={SIZE.width} height={SIZE.height} viewBox="0 0 96 56">
        {strokes.map(([pen, d], index) => (
          <Path
            key={index}
            d={d}
            fill={pen === 'foam' ? colour.hairline : 'none'}
            stroke={INK[pen]}
            strokeWidth={WIDTHS[pen]}
            strokeOpacity={pen === 'tape' ? 0.7 : pen === 'under' ? 0.45 : 1}
            strokeDasharray={pen === 'cover' ? [4, 3] : undefined}
            strokeLinejoin="round"
          />
        ))}
      </Svg>
    </View>
  );
}

const SIZE = { width: 96, height: 56 } as const;

const styles = StyleSheet.create({
  sheet: {
    ...SIZE,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
    backgroundColor: colour.sheet,
  },
});
