import { RULE_OF_THUMB, TOLERANCE } from '../kit';
import type { PullWindows } from './window';

/** What may go wrong with an edge when the tape is pulled at a moment, each from 0 to 1 (rule of thumb). */
export interface EdgeRisk {
  /** The edge sags or smears: the film still flows. */
  readonly sag: number;
  /** It draws strings: a skin on what is wet below. */
  readonly string: number;
  /** It tears: half dry, or dry and thick. */
  readonly tear: number;
  /** Glue stays, or the tape lifts what is below. */
  readonly lift: number;
}

/** Film from which on a dry pull tears more than it cuts, µm (handbook: score it). */
const THICK_UM = 60;

/**
 * Quality of an edge against the time of the pull, drawn to explain the three windows.
 * Rule of thumb: smooth steps between the marks of the film; only the shape is meaningful.
 * @param atMin moment of the pull, on the clock of the windows
 * @param buildUm film at the edge
 * @param dwellMin when the tape starts to leave adhesive, on the same clock; Infinity: never
 */
export function edgeRisk(
  { wet, touchMin, throughMin }: Pick<PullWindows, 'wet' | 'touchMin' | 'throughMin'>,
  atMin: number,
  buildUm: number,
  dwellMin: number,
): EdgeRisk {
  const start = wet?.from ?? 0;
  const skin = wet?.to ?? start;
  const closes = Math.min(throughMin, start + RULE_OF_THUMB.touchCloseFactor * (touchMin - start));
  const thick = Math.min(1, buildUm / (2 * THICK_UM));
  return {
    sag: 0.45 * (1 - rise(atMin, start, (skin + touchMin) / 2)),
    string:
      rise(atMin, skin - 0.15 * (touchMin - skin), skin + 0.3 * (touchMin - skin)) *
      (1 - rise(atMin, touchMin - 0.25 * (touchMin - skin), touchMin + 0.1 * (touchMin - skin))),
    tear: Math.max(
      0.8 *
        rise(atMin, closes, closes + 0.25 * (throughMin - closes) + TOLERANCE.rounding) *
        (1 - rise(atMin, throughMin - 0.1 * (throughMin - closes) - TOLERANCE.rounding, throughMin)),
      thick * 0.5 * rise(atMin, closes, throughMin + TOLERANCE.rounding),
    ),
    lift: dwellMin === Infinity ? 0 : rise(atMin, 0.6 * dwellMin, 1.2 * dwellMin),
  };
}

/** The likelihood that the edge comes out clean: that nothing of it happens. */
export const cleanEdgeLikelihood = ({ sag, string, tear, lift }: EdgeRisk): number =>
  (1 - sag) * (1 - string) * (1 - tear) * (1 - lift);

/** A smooth step from 0 to 1. */
function rise(atMin: number, from: number, to: number): number {
  const share = Math.min(1, Math.max(0, (atMin - from) / Math.max(TOLERANCE.rounding, to - from)));
  return share * share * (3 - 2 * share);
}
