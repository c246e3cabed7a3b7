import type { FinishMethod } from '../finish';
import { type EdgeContext, type GapWay, neighbourPart } from '../job';
import { foamFor } from './opening-size';
import { MASKING_RULES } from './rules-of-thumb';

/** The id of what lies beyond the edges of a part: it is covered as an area is. */
export const SURROUNDINGS_ID = 'beyond';

/**
 * How a gap is masked: as a person has chosen; else with foam where another part of the job is beyond it, and with tape inside the flange
 * where a cover hangs from it. A gap no foam fills takes that tape.
 * Source: surroundings of a part, rules of thumb
 */
export function gapMasking(rim: Extract<EdgeContext, { beyond: 'gap' }>): GapWay {
  const wanted = rim.by ?? (neighbourPart(rim) === null ? 'back-mask' : 'foam');
  return wanted === 'foam' && foamFor(rim.width) === null ? 'back-mask' : wanted;
}

/** True where tape on what is beyond a gap carries the cover, since the foam in it carries none. */
export const hasOutlineTape = (rim: EdgeContext): boolean =>
  rim.beyond === 'gap' && neighbourPart(rim) === null && gapMasking(rim) === 'foam';

/** What of a part decides how much of its surroundings is covered. */
export interface SurroundingsInput {
  /** Edges beyond which something is protected, all equal parts together, mm. */
  readonly edgeMm: number;
  /** The same of all parts of the job. */
  readonly allEdgesMm: number;
  /** What the paint is put on with, of everything that is put on the part. */
  readonly methods: readonly FinishMethod[];
  /** Film over all of what the parts belong to, m². */
  readonly bodyM2: number;
}

/**
 * Film beyond the edges of a part: as far as the overspray that reaches farthest. Where a gun is used that is all of what the part
 * belongs to, of which each part has its share.
 * @returns m²
 * Source: reach by method, rule of thumb
 */
export function surroundingsM2({ edgeMm, allEdgesMm, methods, bodyM2 }: SurroundingsInput): number {
  const reachMm = Math.max(0, ...methods.map((method) => MASKING_RULES.reachMm[method]));
  const whole = (bodyM2 * edgeMm) / Math.max(edgeMm, allEdgesMm);
  return Math.min(whole, (edgeMm * reachMm) / 1e6);
}
