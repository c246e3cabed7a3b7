import { EndType, inflatePaths, JoinType } from 'clipper2-ts';
import { flattenQuadratic, type Path, pathFromSamples, type Point } from '../curves';
import { TOLERANCE } from '../kit';
import letters from './letters.json';
import type { LineMessage } from './messages';

/** How letters are set: all in mm. */
export interface Lettering {
  readonly text: string;
  readonly heightMm: number;
  readonly strokeMm: number;
  readonly spacingMm: number;
  /** Leaning to the right, radians. */
  readonly slant: number;
}

type Glyph = { readonly advance: number; readonly d: string };
const GLYPHS = letters.glyphs as Readonly<Record<string, Glyph>>;

/** Offsets are computed on whole micrometres. */
const UM = 1000;

/** A stroke is at least this share of the height and at most that: beyond, letters break up or fill in. */
const STROKE_SHARES = { least: 0.04, most: 0.24 } as const;

/**
 * Outlines of letters, set from the left at 0, 0 upwards.
 * Height and stroke both come out as asked: the letters are scaled, then grown or shrunk to the stroke.
 * @param put moves a place of the lettering onto the sheet
 * @returns closed paths, outer ones anticlockwise, inner ones clockwise; trouble where the stroke does not suit the height
 */
export function letteringPaths(lettering: Lettering, put: (place: Point) => Point): Path[] | LineMessage {
  const share = lettering.strokeMm / lettering.heightMm;
  if (share < STROKE_SHARES.least || share > STROKE_SHARES.most) return { code: 'line.strokes', values: STROKE_SHARES };
  const scale = (lettering.heightMm - lettering.strokeMm) / (letters.capHeight - letters.stem);
  const grow = (lettering.strokeMm - letters.stem * scale) / 2;
  const paths: Path[] = [];
  let penX = 0;
  for (const character of lettering.text) {
    const { advance, d } = GLYPHS[character]!;
    const shift = penX + grow;
    for (const ring of grown(flattened(d, scale), grow)) {
      const set = ring.map(({ x, y }) => ({ x: x + shift + (y + grow) * Math.tan(lettering.slant), y: y + grow }));
      const path = pathFromSamples(set.map(put), true);
      if (path) paths.push(path);
    }
    penX += advance * scale + 2 * grow + lettering.spacingMm;
  }
  return paths;
}

/** Rings of a glyph, mm. */
function flattened(d: string, scale: number): Point[][] {
  const rings: Point[][] = [];
  for (const [, command, rest] of d.matchAll(/([MLQZ])([^MLQZ]*)/g)) {
    const n = rest!
      .trim()
      .split(/\s+/)
      .map((word) => Number(word) * scale);
    const ring = rings.at(-1)!;
    if (command === 'M') rings.push([{ x: n[0]!, y: n[1]! }]);
    else if (command === 'L') ring.push({ x: n[0]!, y: n[1]! });
    else if (command === 'Q')
      ring.push(
        ...flattenQuadratic(ring.at(-1)!, { x: n[0]!, y: n[1]! }, { x: n[2]!, y: n[3]! }, TOLERANCE.flatten, 4),
      );
  }
  return rings.filter((ring) => ring.length > 2);
}

function grown(rings: readonly Point[][], by: number): Point[][] {
  if (Math.abs(by) < TOLERANCE.grid) return rings.map((ring) => [...ring]);
  const whole = rings.map((ring) => ring.map(({ x, y }) => ({ x: Math.round(x * UM), y: Math.round(y * UM) })));
  // The font runs its outer rings clockwise: turned, so that growing grows.
  const offset = inflatePaths(
    whole.map((ring) => ring.reverse()),
    by * UM,
    JoinType.Miter,
    EndType.Polygon,
    3,
    TOLERANCE.flatten * UM,
  );
  return offset.map((ring) => ring.map(({ x, y }) => ({ x: x / UM, y: y / UM })));
}
