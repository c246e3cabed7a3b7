import type { Finish, LineItem, PartPlan, Place, SprayArrow, TapeKind } from '@lintrel/core';
import type { ReactNode } from 'react';
import { Circle, G, Path, Pattern } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { openPath, stripAlong } from './path';

// What a stage shows on a part besides its areas: effects, tapes by their hatch, the way to spray.

/** Effects with a drawing of their own: flakes as short dashes, pearl as rings, candy as waves. */
export const EFFECT_DRAWN: ReadonlySet<Finish['effect']> = new Set(['metallic', 'pearl', 'candy']);

/** Patterns that distinguish paints and tapes without colour. */
export function PaintPatterns({ id, mmPerDp }: { id: string; mmPerDp: number }) {
  const dp = (value: number) => value * mmPerDp;
  const tile = (name: string, size: number, children: ReactNode) => (
    <Pattern id={`${id}${name}`} patternUnits="userSpaceOnUse" width={dp(size)} height={dp(size)}>
      {children}
    </Pattern>
  );
  const line = (d: readonly number[], stroke: string, width: number, opacity = 1) => (
    <Path
      d={`M${dp(d[0]!)} ${dp(d[1]!)}L${dp(d[2]!)} ${dp(d[3]!)}`}
      stroke={stroke}
      strokeWidth={dp(width)}
      strokeOpacity={opacity}
      strokeLinecap="round"
    />
  );
  return (
    <>
      {tile(
        'metallic',
        11,
        <>
          {line([2, 2, 4.5, 3.5], colour.sheet, 1.2, 0.75)}
          {line([7.5, 7, 9, 9], colour.ink, 1.2, 0.5)}
          {line([8, 2.5, 9.5, 1.5], colour.sheet, 1, 0.6)}
        </>,
      )}
      {tile(
        'pearl',
        12,
        <Circle
          cx={dp(6)}
          cy={dp(6)}
          r={dp(2.4)}
          fill="none"
          stroke={colour.sheet}
          strokeWidth={dp(1)}
          strokeOpacity={0.8}
        />,
      )}
      {tile(
        'candy',
        12,
        <Path
          d={`M0 ${dp(4)}Q${dp(3)} ${dp(1)} ${dp(6)} ${dp(4)}T${dp(12)} ${dp(4)}M0 ${dp(10)}Q${dp(3)} ${dp(7)} ${dp(6)} ${dp(10)}T${dp(12)} ${dp(10)}`}
          fill="none"
          stroke={colour.sheet}
          strokeWidth={dp(1)}
          strokeOpacity={0.7}
        />,
      )}
      {tile('crepe', 5, line([0, 0, 5, 5], colour.ink, 1.4))}
      {tile('washi', 4, <Circle cx={dp(2)} cy={dp(2)} r={dp(0.9)} fill={colour.ink} />)}
    </>
  );
}

/** How a tape is hatched, by its kind; one of the others is a solid band. */
const TAPE_HATCH: Partial<Readonly<Record<TapeKind, 'crepe' | 'washi'>>> = {
  P: 'crepe',
  C: 'crepe',
  G: 'crepe',
  X: 'crepe',
  W: 'washi',
};

/** Film that a shape is cut from is drawn no wider than this beside its edge, mm: the whole of it would hide what is round it. */
const CUT_FILM_SHOWN_MM = 8;

/** A tape lies along its line on its side, hatched by its kind; never drawn thinner than can be seen. */
export function RunShape({
  run,
  part,
  chosen,
  hatch,
  mmPerDp,
}: {
  run: LineItem;
  part: PartPlan;
  chosen: boolean;
  hatch: string;
  mmPerDp: number;
}) {
  const line = part.lines.find(({ id }) => id === run.line);
  if (!line || run.part !== part.id) return null;
  const width = Math.max(run.tapeKind === 'T' ? Math.min(run.widthMm, CUT_FILM_SHOWN_MM) : run.widthMm, 5 * mmPerDp);
  const shift = (run.side === 'left' ? 1 : -1) * (width / 2);
  const strips = line.pieces
    .map((piece) => stripAlong(piece, run.from, run.to, shift))
    .filter((strip) => strip.length > 1);
  const kind = run.tapeKind ? TAPE_HATCH[run.tapeKind] : undefined;
  return (
    <G>
      {strips.map((strip, index) => {
        const d = openPath(strip);
        if (chosen) return <Path key={index} d={d} fill="none" stroke={colour.accent} strokeWidth={width} />;
        if (!kind)
          return <Path key={index} d={d} fill="none" stroke={colour.ink} strokeOpacity={0.55} strokeWidth={width} />;
        return (
          <G key={index}>
            <Path d={d} fill="none" stroke={colour.sheet} strokeOpacity={0.7} strokeWidth={width} />
            <Path d={d} fill="none" stroke={`url(#${hatch}${kind})`} strokeWidth={width} />
          </G>
        );
      })}
    </G>
  );
}

/** An open arrow: the way the gun goes. */
export function Arrow({ arrow: { from, to }, mmPerDp }: { arrow: SprayArrow; mmPerDp: number }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / length, dy / length];
  const head = 7 * mmPerDp;
  const wing = (side: number): Place => [to[0] - head * (ux - 0.6 * side * uy), to[1] - head * (uy + 0.6 * side * ux)];
  const d = `${openPath([from, to])}${openPath([wing(1), to, wing(-1)])}`;
  return (
    <G>
      <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={4.5 * mmPerDp} strokeOpacity={0.8} />
      <Path d={d} fill="none" stroke={colour.accent} strokeWidth={2 * mmPerDp} />
    </G>
  );
}
