import { RULE_OF_THUMB } from '../units';
import type { Point } from '../surface';

/** A path read from a file: places in the file's own unit, y up. */
export interface DrawnPath {
  readonly closed: boolean;
  readonly points: readonly Point[];
}

/** A drawing read from a file. */
export interface Drawing {
  /** Millimetres to one of its units; null where the file does not say. */
  readonly unitMm: number | null;
  readonly layers: readonly { readonly name: string; readonly paths: readonly DrawnPath[] }[];
  /** What was passed over, in words, with how many. */
  readonly skipped: readonly string[];
}

/** What came of reading a file: the drawing, or a sentence why there is none. */
export type DrawingRead = { readonly ok: true; readonly value: Drawing } | { readonly ok: false; readonly message: string };

/** A file beyond these is refused before or while it is read, so that a bad one costs bounded time and memory. */
export const DRAWING_LIMITS = {
  bytes: 12_000_000,
  entities: 20_000,
  places: 400_000,
  /** Groups and blocks inside each other. */
  depth: 40,
} as const;

/** Curves in files are flattened to this, mm; where the unit is not known one unit counts as a millimetre. */
export const FILE_TOLERANCE_MM = RULE_OF_THUMB.fileToleranceMm;

/** Trouble that ends the reading of a file; caught at its door. */
export class DrawingTrouble extends Error {}

/** Collects paths by layer and counts what is passed over, within the limits. */
export class Collector {
  private readonly layers = new Map<string, DrawnPath[]>();
  private readonly passed = new Map<string, number>();
  private entities = 0;
  private places = 0;

  /** Counts an entity before anything is made of it. */
  count(): void {
    if (++this.entities > DRAWING_LIMITS.entities)
      throw new DrawingTrouble(`The drawing has more than ${DRAWING_LIMITS.entities} pieces. Take out what is not outline or line, and save it again.`);
  }

  add(layer: string, path: DrawnPath): void {
    if (path.points.some(({ x, y }) => !Number.isFinite(x) || !Number.isFinite(y))) return this.skip('piece with a number that is none');
    if (path.points.length < 2) return this.skip('piece without length');
    this.places += path.points.length;
    if (this.places > DRAWING_LIMITS.places)
      throw new DrawingTrouble(`The drawing has more than ${DRAWING_LIMITS.places} places. Simplify its curves and save it again.`);
    const own = this.layers.get(layer);
    if (own) own.push(path);
    else this.layers.set(layer, [path]);
  }

  skip(what: string): void {
    this.passed.set(what, (this.passed.get(what) ?? 0) + 1);
  }

  /** The drawing, or that there is no line in it. */
  result(unitMm: number | null): DrawingRead {
    const layers = [...this.layers].map(([name, paths]) => ({ name, paths }));
    const skipped = [...this.passed].map(([what, count]) => `${count} × ${what}`);
    if (layers.length > 0) return { ok: true, value: { unitMm, layers, skipped } };
    return { ok: false, message: `There is no line in this drawing${skipped.length > 0 ? `: passed over ${skipped.join(', ')}` : ''}.` };
  }
}
