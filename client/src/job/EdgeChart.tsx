import { cleanEdge, edgeRisk, type PullWindows } from '@lintrel/core';
import { showMinutes } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { Curve } from './Curve';

const POINTS = 48;
const LABELS = 4;

/** How clean an edge may come out against the time its tape is pulled at: the three windows explain themselves. */
export default function EdgeChart({ windows, buildUm, dwellMin, endMin }: { windows: PullWindows; buildUm: number; dwellMin: number; endMin: number }) {
  const at = Array.from({ length: POINTS + 1 }, (_, index) => (index / POINTS) * endMin);
  const clean = at.map((min) => Math.round(100 * cleanEdge(edgeRisk(windows, min, buildUm, dwellMin))));
  const every = Math.ceil(at.length / LABELS);
  const worst = at[clean.indexOf(Math.min(...clean))]!;
  return (
    <Curve
      title="How clean the edge comes out if the tape is pulled then, 100 is best (rule of thumb, nothing measured)"
      spoken={phrase`How clean the edge comes out against the time of the pull; worst about ${showMinutes(Math.round(worst))} after the last coat`}
      values={clean}
      labels={at.map((min, index) => (index % every === 0 ? roundly(min) : ''))}
      decimals={0}
      fromZero
      segments={2}
      testID="edge-chart"
    />
  );
}

/** A time along the foot: whole hours where there are some. */
const roundly = (min: number): string => (min < 180 ? showMinutes(Math.round(min)) : showMinutes(Math.round(min / 60) * 60));
