import type { LineAnalysis, PartPlan } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { G, Path } from 'react-native-svg';
import { Comb } from '@/drawing/bends';
import { PartDrawing } from '@/drawing/PartDrawing';
import { openPath } from '@/drawing/path';
import { useWords } from '@/person/PersonContext';
import { colour, space } from '@/theme/theme';
import { Small } from '@/ui/Typography';
import { useDrag } from './useDrag';

interface LineDrawingProps {
  readonly part: PartPlan;
  readonly chosen: string | null;
  readonly onLine: (id: string) => void;
  /** Bends of the chosen line, to be shown as a comb; null shows none. */
  readonly comb: LineAnalysis['bends'] | null;
}

/**
 * The drawing of the Lines step. State that changes while dragging is kept here, so that the list beside it is not
 * redrawn.
 */
export const LineDrawing = memo(function LineDrawing({ part, chosen, onLine, comb }: LineDrawingProps) {
  const { handles, live, onDrag } = useDrag(part, chosen);
  const { say } = useWords();
  const overlay = (mmPerDp: number) => (
    <G>
      {live ? (
        <Path
          d={live.pieces.map(openPath).join('')}
          fill="none"
          stroke={colour.accent}
          strokeWidth={3 * mmPerDp}
          testID="live"
        />
      ) : null}
      {comb ? <Comb bends={comb} mmPerDp={mmPerDp} /> : null}
    </G>
  );
  return (
    <View style={styles.fill}>
      <PartDrawing
        part={part}
        areas={part.areas}
        codes="lines"
        help
        chosenLine={chosen}
        onLine={onLine}
        overlay={overlay}
        handles={handles}
        onDrag={onDrag}
      />
      {live ? (
        <View style={styles.note} pointerEvents="none" role="status">
          <Small tone={live.fault ? 'accent' : 'ink'}>
            {live.fault
              ? phrase`There this line ${say(live.fault)}`
              : live.snap
                ? phrase`Drawn to: ${say(live.snap)}`
                : 'Free: drawn to nothing'}
          </Small>
        </View>
      ) : null}
    </View>
  );
});

const styles = StyleSheet.create({
  fill: { flex: 1 },
  note: {
    position: 'absolute',
    left: space.small,
    bottom: space.small,
    padding: space.tight,
    backgroundColor: colour.sheet,
  },
});
