import type { BuildUpPiece } from '@lintrel/core';
import { phrase, type Words } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { Body, Small } from '@/ui/Typography';

/** A cut across an edge: what lies on what, from the line outward. The words beside it say the same. */
export function BuildUpSketch({ pieces }: { pieces: readonly BuildUpPiece[] }) {
  const words = useWords();
  // One tape alone lies on nothing and carries nothing.
  if (pieces.length < 2) return null;
  const tapesMm = Math.max(...pieces.map(({ fromMm, toMm }) => toMm ?? fromMm));
  const scale = (SIZE.width - LINE_X) / (tapesMm * SHOWN);
  const x = (mm: number) => LINE_X + mm * scale;
  const y = (level: number) => SURFACE_Y - (level + 1) * THICK;
  const ordered = [...pieces].sort((a, b) => a.level - b.level);
  return (
    <View style={styles.row} testID="build-up">
      <View style={styles.sheet} aria-hidden>
        <Svg width={SIZE.width} height={SIZE.height} viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}>
          <Path d={`M0 ${SURFACE_Y}H${SIZE.width}`} stroke={colour.ink} strokeWidth={2} />
          <Path
            d={`M${LINE_X} ${SURFACE_Y - LINE_UP}V${SURFACE_Y + LINE_DOWN}`}
            stroke={colour.accent}
            strokeWidth={2}
          />
          {ordered.map(({ kind, fromMm, toMm, level }) =>
            kind === 'cover' ? (
              <Path
                key={kind}
                d={`M${x(fromMm)} ${y(level) + THICK / 2}H${SIZE.width}`}
                stroke={colour.quiet}
                strokeWidth={2}
                strokeDasharray={[4, 3]}
              />
            ) : (
              <Rect
                key={kind}
                x={x(fromMm)}
                y={y(level)}
                width={x(toMm ?? tapesMm) - x(fromMm)}
                height={THICK - 1}
                fill={kind === 'line' ? colour.ink : colour.hairline}
                stroke={colour.ink}
              />
            ),
          )}
        </Svg>
      </View>
      <View style={styles.told}>
        {[...ordered].reverse().map((piece) => (
          <Body key={piece.kind}>{pieceWords(piece, words)}</Body>
        ))}
        <Small>From the top down; the upright stroke is the trim line.</Small>
      </View>
    </View>
  );
}

function pieceWords({ kind, material, fromMm }: BuildUpPiece, words: Words): string {
  if (kind === 'cover') return 'Paper or film';
  const tape = material ?? 'a tape that is not on the shelf';
  return kind === 'line'
    ? phrase`Line tape ${tape}`
    : phrase`Backing ${tape}, ${words.length(fromMm)} back from the line`;
}

/** The sheet, where on it the line and the surface are, and how thick a tape is drawn. */
const SIZE = { width: 128, height: 56 } as const;
const LINE_X = 20;
const SURFACE_Y = 44;
const THICK = 9;
const LINE_UP = 34;
const LINE_DOWN = 8;
/** So much more than the tapes is shown, as a share of their width. */
const SHOWN = 1.35;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: space.small, flexWrap: 'wrap' },
  sheet: { ...SIZE, borderWidth: measure.hairline, borderColor: colour.hairline },
  told: { flex: 1, minWidth: measure.typed },
});
