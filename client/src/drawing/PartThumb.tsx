import type { PartPlan } from '@lintrel/core';
import Svg, { G } from 'react-native-svg';
import { PartPicture } from './PartDrawing';
import { boxRound } from './path';
import type { DrawnArea } from './shapes';
import { fitBoxStill, transformOf } from './view';

/** A small still picture of a part. */
export function PartThumb({
  part,
  areas,
  width,
  height,
}: {
  part: PartPlan;
  areas: readonly DrawnArea[];
  width: number;
  height: number;
}) {
  const view = fitBoxStill(boxRound(part.ring), { width, height });
  return (
    <Svg width={width} height={height} aria-hidden>
      <G transform={transformOf(view, height)}>
        <PartPicture part={part} areas={areas} mmPerDp={view.mmPerDp} />
      </G>
    </Svg>
  );
}
