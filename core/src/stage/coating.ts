import type { FinishMethod } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import type { OrderArea } from './problem';

/**
 * Minutes one coat takes on an area, without what every coat takes: by its size, or along it where it is a narrow line and brushed.
 * Source: rates of spraying and brushing, rules of thumb.
 */
export const coatingMin = ({ sizeM2, narrowM }: Pick<OrderArea, 'sizeM2' | 'narrowM'>, method: FinishMethod): number =>
  method === 'brush' && narrowM !== null
    ? narrowM * RULE_OF_THUMB.brushPerMetre
    : sizeM2 * RULE_OF_THUMB.sprayPerSquareMetre[method];
