import { cleanEdgeLikelihood, edgeRisk, type LineAnalysis, type PullWindows } from '@lintrel/core';
import { showLength, showMinutes } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { lazy } from 'react';
import type { CurveProps } from './Curve';

/** Loaded on demand. The only file with the chart library: a module shared by two later files would be loaded first. */
export const Curve = lazy(() => import('./Curve'));

/** Values the chart of a bend is drawn from, and labels along its foot. */
const BEND_POINTS = 40;
const BEND_LABELS = 5;

/** Bend along a line: above the middle it bends to the left, below to the right; the farther off, the tighter. */
export function bendCurve(bends: LineAnalysis['bends'], unit: 'mm' | 'in'): CurveProps {
  const every = Math.max(1, Math.floor(bends.length / BEND_POINTS));
  const shown = bends.filter((_, index) => index % every === 0);
  const labelEvery = Math.ceil(shown.length / BEND_LABELS);
  return {
    title: 'Bend along the line, 1 ÷ radius in m: above 0 to the left, below 0 to the right',
    spoken: 'Chart of the bend along the line',
    // Per metre, so that the numbers are not all zeros: 1 is a radius of a metre.
    values: shown.map(([, bend]) => bend * 1000),
    labels: shown.map(([at], index) => (index % labelEvery === 0 ? showLength(Math.round(at), unit) : '')),
    decimals: 2,
    segments: 3,
  };
}

const EDGE_POINTS = 48;
const EDGE_LABELS = 4;

/** How clean an edge may come out against the time its tape is pulled at: the three windows explain themselves. */
export function edgeCurve(windows: PullWindows, buildUm: number, dwellMin: number, endMin: number): CurveProps {
  const minutes = Array.from({ length: EDGE_POINTS + 1 }, (_, index) => (index / EDGE_POINTS) * endMin);
  const clean = minutes.map((min) => Math.round(100 * cleanEdgeLikelihood(edgeRisk(windows, min, buildUm, dwellMin))));
  const every = Math.ceil(minutes.length / EDGE_LABELS);
  const worst = minutes[clean.indexOf(Math.min(...clean))]!;
  return {
    title:
      'How clean the edge comes out if the tape is pulled then: the higher, the cleaner (rule of thumb, nothing measured)',
    spoken: phrase`How clean the edge comes out against the time of the pull; worst about ${showMinutes(Math.round(worst))} after the last coat`,
    values: clean,
    labels: minutes.map((min, index) => (index % every === 0 ? roundly(min) : '')),
    decimals: 0,
    fromZero: true,
    segments: 2,
    testID: 'edge-chart',
  };
}

/** A time along the foot: whole hours where there are some. */
const roundly = (min: number): string =>
  min < 180 ? showMinutes(Math.round(min)) : showMinutes(Math.round(min / 60) * 60);
