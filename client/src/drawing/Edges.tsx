import type { EdgeContextKind, PartPlan } from '@lintrel/core';
import { G, Path } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { openPath, ringPath } from './path';

/** What is drawn and tapped of the edges of a part. */
export interface DrawnEdges {
  /** What lies beyond each edge that is not free, by its number. */
  readonly beyond: ReadonlyMap<number, EdgeContextKind>;
  readonly chosen: readonly number[];
  readonly onEdge?: (edge: number) => void;
}

interface EdgesProps {
  readonly part: PartPlan;
  readonly edges: DrawnEdges;
  readonly mmPerDp: number;
}

/** How a band beyond an edge is dashed, dp; what stays clean is a solid band. */
const DASHES: Partial<Readonly<Record<EdgeContextKind, readonly number[]>>> = {
  gap: [5, 4],
  butt: [1.5, 2.5],
  'goes-on': [16, 4],
  splash: [2, 9],
};

/** A band beyond each edge that is not free; the part itself lies over it, so that only what is outside shows. */
export function BeyondBands({ part, edges: { beyond }, mmPerDp }: EdgesProps) {
  return (
    <G>
      {part.edgePlaces.map((places, edge) => {
        const kind = beyond.get(edge);
        if (!kind || kind === 'free') return null;
        const dashes = DASHES[kind];
        return (
          <Path
            key={edge}
            d={openPath(places)}
            fill="none"
            stroke={colour.quiet}
            strokeWidth={18 * mmPerDp}
            strokeDasharray={dashes?.map((dp) => dp * mmPerDp)}
          />
        );
      })}
      <Path d={ringPath(part.ring)} fill={colour.sheet} />
    </G>
  );
}

/** The edges to be tapped; those that are chosen stronger. */
export function EdgeTargets({ part, edges: { chosen, onEdge }, mmPerDp }: EdgesProps) {
  return (
    <G>
      {part.edgePlaces.map((places, edge) => (
        <G key={edge}>
          {chosen.includes(edge) ? (
            <Path d={openPath(places)} fill="none" stroke={colour.calm} strokeWidth={5 * mmPerDp} />
          ) : null}
          {onEdge ? (
            <Path
              d={openPath(places)}
              fill="none"
              stroke="transparent"
              strokeWidth={40 * mmPerDp}
              onPress={() => onEdge(edge)}
              testID={`edge-${edge}`}
            />
          ) : null}
        </G>
      ))}
    </G>
  );
}
