import type { SafetyCode } from '../contract';
import { type Finish, isSprayed, PAINT_SYSTEMS } from '../finish';
import type { JobKind } from '../kit';
import type { Step } from '../runsheet';

/** What a caution depends on. */
export interface CautionFacts {
  readonly kind: JobKind;
  /** Finish of the stage; null: the job as a whole. */
  readonly finish: Finish | null;
  /** The piece is higher than one reaches from the ground. */
  readonly high: boolean;
}

/** Finishes whose oils heat up in a rag. */
const OILY: readonly Finish['system'][] = ['varnish', 'brush-enamel', 'boottop'];

/**
 * Usual cautions of a step; each appears once, where it first applies. Source: usual practice; data sheets and local
 * rules decide.
 */
export function cautionsAt(step: Pick<Step, 'kind' | 'say'>, { kind, finish, high }: CautionFacts): SafetyCode[] {
  const when = (holds: boolean, code: SafetyCode): SafetyCode[] => (holds ? [code] : []);
  const twoPart = finish !== null && PAINT_SYSTEMS[finish.system].isocyanate;
  const sprayed = finish !== null && isSprayed(finish);
  const solvent = finish !== null && !PAINT_SYSTEMS[finish.system].waterborne;
  switch (step.kind) {
    case 'wash':
      return [
        ...when(['wax-grease', 'alcohol', 'dewax', 'thinner'].includes(String(step.say.values.cleaner)), 'solvent'),
        ...when(high, 'height'),
      ];
    case 'abrade': {
      const biocide = step.say.values.grit === 'wet-only';
      return [...when(biocide, 'biocide'), ...when(!biocide, 'dust')];
    }
    case 'lay':
      return ['blade', ...when(high, 'height')];
    case 'cover':
      return [...when(sprayed && solvent, 'static'), ...when(high, 'height')];
    case 'plug':
      return when(kind === 'aircraft', 'plugs');
    case 'mix':
      return [
        ...when(twoPart, 'isocyanate'),
        ...when(finish?.system === 'antifouling', 'antifouling'),
        ...when(finish !== null && OILY.includes(finish.system), 'rags'),
      ];
    case 'coat':
      return [
        ...when(twoPart, 'isocyanate'),
        ...when(sprayed, 'spray'),
        ...when(finish?.method === 'can', 'can'),
        ...when(high, 'height'),
      ];
    case 'gun-clean':
    case 'gun-strip':
      return when(solvent, 'solvent');
    case 'inspect':
      return [...when(kind === 'aircraft', 'aircraft'), ...when(kind === 'road', 'road')];
    default:
      return [];
  }
}
