import type { Point } from '../curves';
import type { DrawingMessage, SkippedMessage } from './messages';
import { FILE_RULES } from './rules-of-thumb';

/** A path read from a file: places in the file's own unit, y up. */
export interface DrawnPath {
  readonly closed: boolean;
  readonly points: readonly Point[];
}

/** A drawing read from a file. */
export interface Drawing {
  /** Millimetres per unit of the file; null if the file does not say. */
  readonly unitMm: number | null;
  readonly layers: readonly { readonly name: string; readonly paths: readonly DrawnPath[] }[];
  readonly skipped: readonly SkippedMessage[];
}

/** What came of reading a file: the drawing, or why there is none. */
export type DrawingRead =
  { readonly ok: true; readonly value: Drawing } | { readonly ok: false; readonly why: DrawingMessage };

/** A file beyond these is refused before or while it is read, so that a bad one costs bounded time and memory. */
export const DRAWING_LIMITS = {
  bytes: 12_000_000,
  entities: 20_000,
  places: 400_000,
  /** Groups and blocks inside each other. */
  depth: 40,
} as const;

/** Flattening tolerance of curves in files, mm; if the unit is unknown, one unit is taken as a millimetre. */
export const FILE_TOLERANCE_MM = FILE_RULES.fileToleranceMm;

/** Error that ends reading a file; caught where reading starts. */
export class DrawingTrouble extends Error {
  constructor(readonly why: DrawingMessage) {
    super(why.code);
  }
}

/** Collects paths by layer and counts what is passed over, within the limits. */
export class Collector {
  private readonly layers = new Map<string, DrawnPath[]>();
  private readonly passed = new Map<string, SkippedMessage>();
  private entities = 0;
  private places = 0;

  /** Counts an entity before anything is made of it. */
  count(): void {
    if (++this.entities > DRAWING_LIMITS.entities)
      throw new DrawingTrouble({ code: 'drawing.too-many-pieces', values: { most: DRAWING_LIMITS.entities } });
  }

  add(layer: string, path: DrawnPath): void {
    if (path.points.some(({ x, y }) => !Number.isFinite(x) || !Number.isFinite(y)))
      return this.skip('skipped.no-number');
    if (path.points.length < 2) return this.skip('skipped.no-length');
    this.places += path.points.length;
    if (this.places > DRAWING_LIMITS.places)
      throw new DrawingTrouble({ code: 'drawing.too-many-places', values: { most: DRAWING_LIMITS.places } });
    const drawnPaths = this.layers.get(layer);
    if (drawnPaths) drawnPaths.push(path);
    else this.layers.set(layer, [path]);
  }

  /** @param name what the file calls it; empty where it has no name */
  skip(code: SkippedMessage['code'], name = ''): void {
    const key = `${code} ${name}`;
    this.passed.set(key, { code, values: { count: (this.passed.get(key)?.values.count ?? 0) + 1, name } });
  }

  /** The drawing, or that there is no line in it. */
  result(unitMm: number | null): DrawingRead {
    const layers = [...this.layers].map(([name, paths]) => ({ name, paths }));
    const skipped = [...this.passed.values()];
    if (layers.length > 0) return { ok: true, value: { unitMm, layers, skipped } };
    return { ok: false, why: { code: 'drawing.no-line', values: { skipped } } };
  }
}
