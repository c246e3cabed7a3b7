import type { PartPlan } from '@lintrel/core';
import Svg, { G } from 'react-native-svg';
import { PartPicture, type DrawnArea } from './PartDrawing';
import { boxRound } from './path';
import { fitted } from './view';

/** A small still picture of a part. */
export function PartThumb({ part, areas, width, height }: { part: PartPlan; areas: readonly DrawnArea[]; width: number; height: number }) {
  // The fixed margin of a full drawing would eat a small one.
  const whole = fitted(boxRound(part.ring), { width: width + 36, height: height + 36 });
  const view = { ...whole, x: whole.x + 18 * whole.mmPerDp, y: whole.y + 18 * whole.mmPerDp };
  return (
    <Svg width={width} height={height} aria-hidden>
      <G transform={`translate(0 ${height}) scale(${1 / view.mmPerDp} ${-1 / view.mmPerDp}) translate(${-view.x} ${-view.y})`}>
        <PartPicture part={part} areas={areas} mmPerDp={view.mmPerDp} />
      </G>
    </Svg>
  );
}
