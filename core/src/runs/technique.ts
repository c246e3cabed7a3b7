import type { Fit } from '../tape';
import { plainly, RULE_OF_THUMB } from '../units';
import type { Technique } from './says';

/** Rule table: how to lay a run, from what its tape must do; first match wins. */
export function techniqueFor(fit: Fit, oneTapeWide: boolean): Technique {
  if (fit.verdict === 'too-tight' || fit.verdict === 'impossible') return plainly('technique.end-before-bend');
  if (oneTapeWide) return plainly('technique.one-tape');
  if (fit.verdict === 'stretch' && fit.stretch >= RULE_OF_THUMB.leastStretchGiven) return { code: 'technique.stretch', values: { share: fit.stretch } };
  return plainly(fit.worstRadiusMm === null ? 'technique.sighted' : 'technique.steer');
}
