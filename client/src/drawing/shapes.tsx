import type { AreaPlan, FeaturePlan, Finish, LinePlan, PartPlan, Place } from '@lintrel/core';
import { G, Path, Polygon } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { EFFECT_DRAWN } from './Masking';
import { areaPath, openPath, ringPath } from './path';

/** How an area is drawn. */
export interface DrawnArea {
  readonly code: string;
  readonly colour: string;
  /** Covered: at a third, under a wide cross hatch. */
  readonly covered?: boolean;
  /** Flakes and candies are drawn with a pattern. */
  readonly effect?: Finish['effect'];
}

/** The outline; openings bare, folds and the seam of a round part dashed. */
export function Rim({ part, mmPerDp }: { part: PartPlan; mmPerDp: number }) {
  return (
    <G>
      <Path d={ringPath(part.ring)} fill="none" stroke={colour.ink} strokeWidth={1.5 * mmPerDp} />
      {part.openings.map((ring, index) => (
        <Path key={index} d={ringPath(ring)} fill={colour.ground} stroke={colour.ink} strokeWidth={1.5 * mmPerDp} />
      ))}
      {part.folds.map((places, index) => (
        <Dashed key={index} places={places} pattern={[8, 5]} tone={colour.ink} mmPerDp={mmPerDp} />
      ))}
      {part.seams.map((places, index) => (
        <Dashed key={index} places={places} pattern={[4, 4]} tone={colour.sheet} mmPerDp={mmPerDp} />
      ))}
    </G>
  );
}

export const Dashed = ({
  places,
  pattern,
  tone,
  mmPerDp,
}: {
  places: readonly Place[];
  pattern: readonly number[];
  tone: string;
  mmPerDp: number;
}) => (
  <Path
    d={openPath(places)}
    fill="none"
    stroke={tone}
    strokeWidth={1.25 * mmPerDp}
    strokeDasharray={pattern.map((dp) => dp * mmPerDp)}
  />
);

/** Rows as dots, creases as a double line, zones with a dotted outline. */
export function FeatureShape({ feature, mmPerDp }: { feature: FeaturePlan; mmPerDp: number }) {
  const { kind, places, closed } = feature;
  if (places.length < 2) return null;
  const d = closed ? ringPath(places) : openPath(places);
  if (kind === 'raised-row')
    return (
      <Path
        d={d}
        fill="none"
        stroke={colour.quiet}
        strokeWidth={4 * mmPerDp}
        strokeLinecap="round"
        strokeDasharray={[0.1 * mmPerDp, 9 * mmPerDp]}
      />
    );
  if (kind === 'crease')
    return (
      <G>
        <Path d={d} fill="none" stroke={colour.quiet} strokeWidth={4 * mmPerDp} />
        <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={1.5 * mmPerDp} />
      </G>
    );
  return (
    <Path
      d={d}
      fill="none"
      stroke={kind === 'texture' ? colour.quiet : colour.caution}
      strokeWidth={2 * mmPerDp}
      strokeDasharray={[2 * mmPerDp, 4 * mmPerDp]}
    />
  );
}

export function AreaShape({
  area,
  drawn,
  hatch,
  chosen,
  onPress,
  mmPerDp,
}: {
  area: AreaPlan;
  drawn?: DrawnArea;
  hatch: string;
  chosen: boolean;
  onPress?: (code: string) => void;
  mmPerDp: number;
}) {
  const d = areaPath(area);
  return (
    <G onPress={() => onPress?.(area.code)}>
      <Path
        d={d}
        fill={drawn?.colour ?? colour.sheet}
        fillOpacity={drawn?.covered ? 0.33 : 1}
        fillRule="evenodd"
        testID={`area-${area.code}`}
      />
      {drawn?.effect && EFFECT_DRAWN.has(drawn.effect) && !drawn.covered ? (
        <Path d={d} fill={`url(#${hatch}${drawn.effect})`} fillRule="evenodd" />
      ) : null}
      {drawn?.covered ? <Path d={d} fill={`url(#${hatch})`} fillRule="evenodd" /> : null}
      {chosen ? <Path d={d} fill="none" stroke={colour.calm} strokeWidth={4 * mmPerDp} /> : null}
    </G>
  );
}

export function LineShape({
  line,
  chosen,
  onPress,
  mmPerDp,
}: {
  line: LinePlan;
  chosen: boolean;
  onPress?: (id: string) => void;
  mmPerDp: number;
}) {
  const d = line.pieces.map(openPath).join('');
  if (!d) return null;
  return (
    <G>
      {chosen ? <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={7 * mmPerDp} /> : null}
      <Path d={d} fill="none" stroke={colour.ink} strokeWidth={(chosen ? 3 : 1.25) * mmPerDp} />
      {onPress ? (
        <Path d={d} fill="none" stroke="transparent" strokeWidth={24 * mmPerDp} onPress={() => onPress(line.owner)} />
      ) : null}
    </G>
  );
}

export function WorstBend({ line, mmPerDp }: { line: LinePlan; mmPerDp: number }) {
  if (!line.tightest) return null;
  const [x, y] = line.tightest.place;
  const r = 6 * mmPerDp;
  return (
    <Polygon
      points={`${x},${y - 2 * mmPerDp} ${x - r},${y - 2 * mmPerDp - 1.7 * r} ${x + r},${y - 2 * mmPerDp - 1.7 * r}`}
      fill={colour.sheet}
      stroke={colour.caution}
      strokeWidth={1.5 * mmPerDp}
    />
  );
}
