import type { OwnItem } from '@lintrel/core';
import { G, Path } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { openPath, ringPath } from './path';

interface OwnShapesProps {
  readonly pieces: readonly OwnItem[];
  readonly chosen: string | null;
  /** Where an end of the chosen one is being dragged to. */
  readonly live: { readonly end: 'from' | 'to'; readonly place: readonly [number, number] } | null;
  readonly mmPerDp: number;
}

/** Pieces a person lays themselves: tape as a band from place to place, paper or film as the box between them. */
export function OwnShapes({ pieces, chosen, live, mmPerDp }: OwnShapesProps) {
  return (
    <G>
      {pieces.map(({ id, fromPlace, toPlace, tapeKind, widthMm }) => {
        const here = id === chosen;
        const [a, b] = [here && live?.end === 'from' ? live.place : fromPlace, here && live?.end === 'to' ? live.place : toPlace];
        const ink = here ? colour.accent : colour.quiet;
        if (tapeKind !== null) return <Path key={id} d={openPath([a, b])} stroke={ink} strokeOpacity={0.75} strokeWidth={Math.max(widthMm, 5 * mmPerDp)} />;
        const box: (readonly [number, number])[] = [a, [b[0], a[1]], b, [a[0], b[1]]];
        return (
          <Path key={id} d={ringPath(box)} fill={ink} fillOpacity={0.2} stroke={ink} strokeWidth={2 * mmPerDp} strokeDasharray={[8 * mmPerDp, 4 * mmPerDp]} />
        );
      })}
    </G>
  );
}
