import type { Place } from '@lintrel/core';
import { Circle, G, Path } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { openPath } from './path';

/** Marks along a line: filled at even steps, open in between. */
export const Marks = ({
  marks,
  mmPerDp,
}: {
  marks: readonly { readonly place: Place; readonly extra: boolean }[];
  mmPerDp: number;
}) => (
  <G>
    {marks.map(({ place: [x, y], extra }, index) => (
      <Circle
        key={index}
        cx={x}
        cy={y}
        r={3.5 * mmPerDp}
        fill={extra ? colour.sheet : colour.ink}
        stroke={colour.ink}
        strokeWidth={1.25 * mmPerDp}
      />
    ))}
  </G>
);

/** A comb of bends: the longer the tooth, the tighter the bend there. */
export function Comb({
  bends,
  mmPerDp,
}: {
  bends: readonly (readonly [number, number, number, number, number, number])[];
  mmPerDp: number;
}) {
  const tightest = Math.max(1e-9, ...bends.map(([, bend]) => Math.abs(bend)));
  const longest = 44 * mmPerDp;
  const tip = ([, bend, x, y, tx, ty]: (typeof bends)[number]): Place => {
    // Teeth stand on the outside of the bend.
    const length = (-bend / tightest) * longest;
    return [x - ty * length, y + tx * length];
  };
  return (
    <G>
      <Path
        d={bends.map((bend) => openPath([[bend[2], bend[3]], tip(bend)])).join('')}
        stroke={colour.calm}
        strokeWidth={mmPerDp}
      />
      {bends.length > 1 ? (
        <Path d={openPath(bends.map(tip))} fill="none" stroke={colour.calm} strokeWidth={1.5 * mmPerDp} />
      ) : null}
    </G>
  );
}
