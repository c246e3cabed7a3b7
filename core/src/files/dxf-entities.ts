import type DxfParser from 'dxf-parser';
import type { IEntity } from 'dxf-parser';

// The parser's own readers leave out the weights of a spline and the side a circle is seen from; these two keep them.
type Handler = Parameters<DxfParser['registerEntityHandler']>[0];
type Scanner = Parameters<InstanceType<Handler>['parseEntity']>[0];
type Values = ReadonlyMap<number, readonly (number | string | boolean)[]>;

/** The values of one entity by group code, in order; the scanner is left on the start of the next. */
function valuesOf(scanner: Scanner): Values {
  const values = new Map<number, (number | string | boolean)[]>();
  while (!scanner.isEOF()) {
    const { code, value } = scanner.next();
    if (code === 0) break;
    const fieldValue = values.get(code);
    if (fieldValue) fieldValue.push(value);
    else values.set(code, [value]);
  }
  return values;
}

const all = (values: Values, code: number) => values.get(code) ?? [];
const first = (values: Values, code: number) => all(values, code)[0];

/** A spline with its weights, in the fields of the parser's own. */
export class WeightedSpline {
  readonly ForEntityName = 'SPLINE';
  parseEntity(scanner: Scanner): IEntity {
    const values = valuesOf(scanner);
    const spline = {
      type: this.ForEntityName,
      layer: first(values, 8),
      degreeOfSplineCurve: first(values, 71),
      knotValues: all(values, 40),
      weights: all(values, 41),
      controlPoints: all(values, 10).map((x, index) => ({ x, y: all(values, 20)[index] })),
    };
    return spline as unknown as IEntity;
  }
}

/** A circle with the side it is seen from, in the fields of the parser's own. */
export class SidedCircle {
  readonly ForEntityName = 'CIRCLE';
  parseEntity(scanner: Scanner): IEntity {
    const values = valuesOf(scanner);
    const circle = {
      type: this.ForEntityName,
      layer: first(values, 8),
      center: { x: first(values, 10), y: first(values, 20) },
      radius: first(values, 40),
      extrusionDirectionZ: first(values, 230),
    };
    return circle as unknown as IEntity;
  }
}
