import type { LineAnalysis } from '@lintrel/core';
import { showLength } from '@lintrel/core/front';
import { Curve } from './Curve';

/** Values the chart is drawn from, and labels along its foot. */
const POINTS = 40;
const LABELS = 5;

/** Bend along a line: above the middle it bends to the left, below to the right; the farther off, the tighter. */
export default function BendChart({ bends, unit }: { bends: LineAnalysis['bends']; unit: 'mm' | 'in' }) {
  const every = Math.max(1, Math.floor(bends.length / POINTS));
  const shown = bends.filter((_, index) => index % every === 0);
  const labelEvery = Math.ceil(shown.length / LABELS);
  return (
    <Curve
      title="Bend along the line, 1 ÷ radius in m: above 0 to the left, below 0 to the right"
      spoken="Chart of the bend along the line"
      // Per metre, so that the numbers are not all zeros: 1 is a radius of a metre.
      values={shown.map(([, bend]) => bend * 1000)}
      labels={shown.map(([at], index) => (index % labelEvery === 0 ? showLength(Math.round(at), unit) : ''))}
      decimals={2}
      segments={3}
    />
  );
}
