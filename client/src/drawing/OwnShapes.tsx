import { type OwnItem, pieceCorners, type Place } from '@lintrel/core';
import { G, Path } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { openPath, ringPath } from './path';

type Live = { readonly index: number; readonly place: Place } | null;

/** The places of a piece in their order, the one that is dragged where the finger has it. */
export const placesOf = ({ fromPlace, byPlaces, toPlace }: OwnItem, live: Live): Place[] =>
  [fromPlace, ...byPlaces, toPlace].map(([x, y], index): Place => (live?.index === index ? live.place : [x, y]));

interface OwnShapesProps {
  readonly pieces: readonly OwnItem[];
  readonly chosen: string | null;
  /** The point of the selected piece that is being dragged. */
  readonly live: Live;
  readonly mmPerDp: number;
}

/** Pieces a person lays themselves: tape as a band from place to place, paper or film as the box between them. */
export function OwnShapes({ pieces, chosen, live, mmPerDp }: OwnShapesProps) {
  return (
    <G>
      {pieces.map((item) => {
        const { id, tapeKind, widthMm } = item;
        const here = id === chosen;
        const places = placesOf(item, here ? live : null);
        const ink = here ? colour.accent : colour.quiet;
        if (tapeKind !== null)
          return (
            <Path
              key={id}
              d={openPath(places)}
              fill="none"
              stroke={ink}
              strokeOpacity={0.75}
              strokeWidth={Math.max(widthMm, 5 * mmPerDp)}
            />
          );
        const box = pieceCorners({
          from: places[0]!,
          by: places.slice(1, -1),
          to: places.at(-1)!,
        });
        return (
          <Path
            key={id}
            d={ringPath(box)}
            fill={ink}
            fillOpacity={0.2}
            stroke={ink}
            strokeWidth={2 * mmPerDp}
            strokeDasharray={[8 * mmPerDp, 4 * mmPerDp]}
          />
        );
      })}
    </G>
  );
}
