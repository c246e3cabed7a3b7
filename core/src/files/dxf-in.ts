import DxfParser, { type IDxf, type IEntity } from 'dxf-parser';
import { flattenArc, flattenBulge, flattenSpline, type Point } from '../curves';
import { messageWithoutValues, TOLERANCE } from '../kit';
import { Collector, DRAWING_LIMITS, type DrawingRead, DrawingTrouble, FILE_TOLERANCE_MM } from './drawing';
import { SidedCircle, WeightedSpline } from './dxf-entities';

/** Millimetres per drawing unit by its number in the file; other numbers mean unknown. */
const UNIT_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000, 14: 100 };

/** How a block is put down: scaled, turned, moved. */
interface Placement {
  readonly put: (place: Point) => Point;
  readonly scale: number;
}

const AS_DRAWN: Placement = { put: (place) => place, scale: 1 };

// The parser's types leave out fields that its entities carry.
type Any = Readonly<Record<string, unknown>>;
const number = (value: unknown, otherwise: number): number => (typeof value === 'number' ? value : otherwise);
const place = (value: unknown): Point => ({
  x: number((value as Any | undefined)?.x, NaN),
  y: number((value as Any | undefined)?.y, NaN),
});

/**
 * Reads the lines of a DXF drawing: lines, polylines with bows, arcs, circles, ellipses, splines, and blocks of them.
 * @param text the file, in its text form
 * @returns paths by layer, y up; or why it cannot be read
 */
export function readDxf(text: string): DrawingRead {
  if (text.length > DRAWING_LIMITS.bytes)
    return { ok: false, why: { code: 'drawing.too-large', values: { megabytes: DRAWING_LIMITS.bytes / 1e6 } } };
  if (text.startsWith('AutoCAD Binary DXF')) return { ok: false, why: messageWithoutValues('drawing.binary-dxf') };
  let dxf: IDxf | null;
  try {
    const parser = new DxfParser();
    parser.registerEntityHandler(WeightedSpline);
    parser.registerEntityHandler(SidedCircle);
    dxf = parser.parseSync(text);
  } catch (error) {
    return {
      ok: false,
      why: { code: 'drawing.bad-dxf', values: { reason: String((error as Error).message ?? error).slice(0, 160) } },
    };
  }
  if (!dxf || !Array.isArray(dxf.entities)) return { ok: false, why: messageWithoutValues('drawing.no-entities') };
  const unitMm = UNIT_MM[number(dxf.header?.$INSUNITS, 0)] ?? null;
  const collector = new Collector();
  try {
    for (const entity of dxf.entities)
      addEntity(entity, dxf, AS_DRAWN, FILE_TOLERANCE_MM / (unitMm ?? 1), collector, 0);
  } catch (error) {
    if (error instanceof DrawingTrouble) return { ok: false, why: error.why };
    throw error;
  }
  return collector.result(unitMm);
}

/** Kinds whose measurements are those of their own side: seen from behind, their x runs the other way. */
const SIDED: ReadonlySet<string> = new Set(['ARC', 'CIRCLE', 'LWPOLYLINE', 'POLYLINE', 'INSERT']);

/** 1 for an entity seen from the front, −1 from behind, null for one that does not lie flat. */
function sideOf(type: string, entity: Any): 1 | -1 | null {
  if (!SIDED.has(type)) return 1;
  const z = number(entity.extrusionDirectionZ, number((entity.extrusionDirection as Any | undefined)?.z, 1));
  return Math.abs(z) < 0.999 ? null : z > 0 ? 1 : -1;
}

function addEntity(
  entity: IEntity,
  dxf: IDxf,
  outer: Placement,
  tolerance: number,
  collector: Collector,
  depth: number,
): void {
  collector.count();
  const fields = entity as unknown as Any;
  const side = sideOf(entity.type, fields);
  if (side === null) return collector.skip('skipped.not-flat', entity.type.toLowerCase());
  const placement: Placement = side === 1 ? outer : { ...outer, put: ({ x, y }) => outer.put({ x: -x, y }) };
  if (entity.type === 'INSERT') return addBlock(fields, dxf, placement, tolerance, collector, depth);
  const path = pathOf(entity.type, fields, tolerance / placement.scale);
  if (path === null) return collector.skip('skipped.element', entity.type.toLowerCase());
  if (path.points.length === 0) return collector.skip('skipped.no-measures', entity.type.toLowerCase());
  collector.add(String(entity.layer ?? '0').slice(0, 60), {
    closed: path.closed,
    points: path.points.map(placement.put),
  });
}

function addBlock(
  insert: Any,
  dxf: IDxf,
  outer: Placement,
  tolerance: number,
  collector: Collector,
  depth: number,
): void {
  if (depth >= DRAWING_LIMITS.depth) throw new DrawingTrouble(messageWithoutValues('drawing.endless-blocks'));
  const block = dxf.blocks?.[String(insert.name)];
  if (!block) return collector.skip('skipped.no-block');
  const point = place(insert.position);
  const base = place(block.position);
  const [sx, sy] = [number(insert.xScale, 1), number(insert.yScale, 1)];
  const turn = (number(insert.rotation, 0) * Math.PI) / 180;
  const put = ({ x, y }: Point): Point => {
    const [u, v] = [(x - base.x) * sx, (y - base.y) * sy];
    return outer.put({
      x: point.x + u * Math.cos(turn) - v * Math.sin(turn),
      y: point.y + u * Math.sin(turn) + v * Math.cos(turn),
    });
  };
  const scale = outer.scale * Math.max(Math.abs(sx), Math.abs(sy), TOLERANCE.along);
  for (const entity of block.entities ?? []) addEntity(entity, dxf, { put, scale }, tolerance, collector, depth + 1);
}

/** Places of one entity; null for a kind that is no line. */
function pathOf(type: string, entity: Any, tolerance: number): { closed: boolean; points: Point[] } | null {
  switch (type) {
    case 'LINE':
      return { closed: false, points: ((entity.vertices as unknown[]) ?? []).map(place) };
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline((entity.vertices as Any[]) ?? [], entity.shape === true, tolerance);
    case 'ARC': {
      const from = number(entity.startAngle, 0);
      const to = number(entity.endAngle, 0);
      return {
        closed: false,
        points: flattenArc(
          place(entity.center),
          number(entity.radius, NaN),
          number(entity.radius, NaN),
          0,
          from,
          to < from ? to + 2 * Math.PI : to,
          tolerance,
        ),
      };
    }
    case 'CIRCLE':
      return {
        closed: true,
        points: flattenArc(
          place(entity.center),
          number(entity.radius, NaN),
          number(entity.radius, NaN),
          0,
          0,
          2 * Math.PI,
          tolerance,
        ).slice(0, -1),
      };
    case 'ELLIPSE':
      return ellipse(entity, tolerance);
    case 'SPLINE':
      return spline(entity, tolerance);
    default:
      return null;
  }
}

function polyline(vertices: readonly Any[], closed: boolean, tolerance: number): { closed: boolean; points: Point[] } {
  if (vertices.length === 0) return { closed, points: [] };
  const points = [place(vertices[0])];
  const last = closed ? vertices.length : vertices.length - 1;
  for (let index = 0; index < last; index++) {
    const next = place(vertices[(index + 1) % vertices.length]);
    points.push(...flattenBulge(points.at(-1)!, next, number(vertices[index]!.bulge, 0), tolerance));
  }
  // Closed, the first place is not repeated at the end.
  return { closed, points: closed ? points.slice(0, -1) : points };
}

function ellipse(entity: Any, tolerance: number): { closed: boolean; points: Point[] } {
  const axis = place(entity.majorAxisEndPoint);
  const long = Math.hypot(axis.x, axis.y);
  const from = number(entity.startAngle, 0);
  const end = number(entity.endAngle, 2 * Math.PI);
  const to = end <= from ? end + 2 * Math.PI : end;
  const closed = to - from > 2 * Math.PI - TOLERANCE.along;
  const points = flattenArc(
    place(entity.center),
    long,
    long * number(entity.axisRatio, NaN),
    Math.atan2(axis.y, axis.x),
    from,
    to,
    tolerance,
  );
  return { closed, points: closed ? points.slice(0, -1) : points };
}

function spline(entity: Any, tolerance: number): { closed: boolean; points: Point[] } {
  const control = ((entity.controlPoints as unknown[]) ?? []).map(place);
  const weights =
    Array.isArray(entity.weights) && entity.weights.length === control.length ? (entity.weights as number[]) : null;
  const points = flattenSpline(
    number(entity.degreeOfSplineCurve, 3),
    control,
    (entity.knotValues as number[]) ?? [],
    weights,
    tolerance,
  );
  return { closed: false, points: points ?? [] };
}
