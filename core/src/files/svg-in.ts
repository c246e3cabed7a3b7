import { SaxesParser, type SaxesTagPlain } from 'saxes';
import svgpath from 'svgpath';
import { flattenCubic, flattenQuadratic, type Point } from '../curves';
import { messageWithoutValues } from '../kit';
import { Collector, DRAWING_LIMITS, type DrawingRead, DrawingTrouble, FILE_TOLERANCE_MM } from './drawing';

/** Elements whose content is never drawn, and those that draw what is no outline. */
const UNDRAWN = [
  'defs',
  'clipPath',
  'mask',
  'pattern',
  'symbol',
  'marker',
  'script',
  'style',
  'metadata',
  'title',
  'desc',
  'foreignObject',
  'filter',
  'linearGradient',
  'radialGradient',
];
const PASSED = ['text', 'image', 'use', 'switch', 'a', 'audio', 'video', 'iframe'];

/** Millimetres to a written unit of length. */
const UNIT_MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, q: 0.25 };

interface Group {
  readonly tag: string;
  readonly transform: string;
  readonly layer: string;
  readonly undrawn: boolean;
}

/** View box and stated size of a drawing. */
interface Page {
  readonly unitMm: number | null;
  readonly top: number | null;
}

/**
 * Reads the paths of an SVG drawing. Nothing in it is run, loaded or expanded; text, pictures and references are passed over.
 * @param text the file
 * @returns paths by layer (the topmost named group), y up; or why it cannot be read
 */
export function readSvg(text: string): DrawingRead {
  if (text.length > DRAWING_LIMITS.bytes)
    return { ok: false, why: { code: 'drawing.too-large', values: { megabytes: DRAWING_LIMITS.bytes / 1e6 } } };
  const collector = new Collector();
  const stack: Group[] = [];
  let page: Page | null = null;
  const pieces: { layer: string; subpaths: { closed: boolean; points: Point[] }[] }[] = [];
  const parser = new SaxesParser({ xmlns: false });
  parser.on('error', (error) => {
    throw new DrawingTrouble({ code: 'drawing.bad-svg', values: { reason: error.message.slice(0, 160) } });
  });
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype)) throw new DrawingTrouble(messageWithoutValues('drawing.entities'));
  });
  parser.on('opentag', (tag: SaxesTagPlain) => {
    if (stack.length >= DRAWING_LIMITS.depth)
      throw new DrawingTrouble({ code: 'drawing.too-deep', values: { most: DRAWING_LIMITS.depth } });
    const name = tag.name.replace(/^.*:/, '');
    const parent = stack.at(-1);
    if (!parent) {
      if (name !== 'svg') throw new DrawingTrouble(messageWithoutValues('drawing.not-svg'));
      page = pageOf(tag);
    }
    const group = groupOf(name, tag, parent);
    stack.push(group);
    if (group.undrawn) {
      if (name === 'script' || name === 'foreignObject')
        collector.skip(name === 'script' ? 'skipped.script' : 'skipped.embedded');
      return;
    }
    if (PASSED.includes(name))
      return name === 'use'
        ? collector.skip('skipped.reference')
        : name === 'a'
          ? collector.skip('skipped.link')
          : collector.skip('skipped.element', name);
    const d = pathData(name, tag);
    if (d === null) return;
    collector.count();
    if (d === '') return collector.skip('skipped.no-measures', name);
    pieces.push({ layer: group.layer, subpaths: flattened(d, group.transform, page?.unitMm ?? 1, collector) });
  });
  parser.on('closetag', () => void stack.pop());
  try {
    parser.write(text).close();
    return page ? collected(pieces, page, collector) : { ok: false, why: messageWithoutValues('drawing.no-svg') };
  } catch (error) {
    if (error instanceof DrawingTrouble) return { ok: false, why: error.why };
    throw error;
  }
}

function collected(
  pieces: readonly { layer: string; subpaths: { closed: boolean; points: Point[] }[] }[],
  { unitMm, top }: Page,
  collector: Collector,
): DrawingRead {
  const lowest =
    top ??
    Math.max(
      0,
      ...pieces.flatMap(({ subpaths }) =>
        subpaths.map(({ points }) => points.reduce((most, { y }) => Math.max(most, y), -Infinity)),
      ),
    );
  // The file runs y downwards from the top of its page.
  for (const { layer, subpaths } of pieces)
    for (const { closed, points } of subpaths)
      collector.add(layer, { closed, points: points.map(({ x, y }) => ({ x, y: lowest - y })) });
  return collector.result(unitMm);
}

function groupOf(name: string, { attributes }: SaxesTagPlain, parent: Group | undefined): Group {
  const hidden = attributes.display === 'none' || /display\s*:\s*none/.test(attributes.style ?? '');
  const transform = attributes.transform ?? '';
  const label = name === 'g' ? (attributes['inkscape:label'] ?? attributes.id ?? '') : '';
  return {
    tag: name,
    transform: [parent?.transform ?? '', transform].join(' ').trim(),
    layer: parent?.layer && parent.layer !== 'drawing' ? parent.layer : label.slice(0, 60) || 'drawing',
    undrawn: (parent?.undrawn ?? false) || hidden || UNDRAWN.includes(name),
  };
}

/** Maximum characters of the width of a page, with its unit. */
const MAX_WIDTH_LENGTH = 60;

/** The size a drawing states: its width with a unit against the width of its view box. */
function pageOf({ attributes }: SaxesTagPlain): Page {
  const view = (attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const box = view.length === 4 && view.every(Number.isFinite) && view[2]! > 0 && view[3]! > 0 ? view : null;
  // A width is short: a long text is no width and is not searched.
  const size = /^([\d.]+) ?([a-z]*)$/i.exec((attributes.width ?? '').slice(0, MAX_WIDTH_LENGTH + 1).trim());
  const unit = UNIT_MM[size?.[2]?.toLowerCase() ?? ''];
  const width = size ? Number(size[1]) : NaN;
  const height = Number.parseFloat(attributes.height ?? '');
  const unitMm = unit && width > 0 ? (box ? (width * unit) / box[2]! : unit) : null;
  // Turned over about the middle of the page, so that what lies at its top still does.
  return { unitMm, top: box ? 2 * box[1]! + box[3]! : Number.isFinite(height) ? height : null };
}

/** Path data of an element; null for one that draws nothing, empty where its measurements are missing. */
function pathData(name: string, { attributes }: SaxesTagPlain): string | null {
  const n = (key: string, otherwise = 0): number => {
    const value = Number.parseFloat(attributes[key] ?? '');
    return attributes[key] === undefined ? otherwise : value;
  };
  switch (name) {
    case 'path':
      return attributes.d ?? '';
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon':
      return attributes.points ? `M${attributes.points}${name === 'polygon' ? 'Z' : ''}` : '';
    case 'rect':
      return rectangle(n('x'), n('y'), n('width', NaN), n('height', NaN), n('rx', NaN), n('ry', NaN));
    case 'circle':
      return ellipse(n('cx'), n('cy'), n('r', NaN), n('r', NaN));
    case 'ellipse':
      return ellipse(n('cx'), n('cy'), n('rx', NaN), n('ry', NaN));
    default:
      return null;
  }
}

function rectangle(x: number, y: number, w: number, h: number, rx: number, ry: number): string {
  if (!(w > 0 && h > 0)) return '';
  const a = Math.min(w / 2, Number.isNaN(rx) ? (Number.isNaN(ry) ? 0 : ry) : rx);
  const b = Math.min(h / 2, Number.isNaN(ry) ? a : ry);
  if (!(a > 0 && b > 0)) return `M${x} ${y}h${w}v${h}h${-w}Z`;
  const bow = (dx: number, dy: number) => `a${a} ${b} 0 0 1 ${dx} ${dy}`;
  return `M${x + a} ${y}h${w - 2 * a}${bow(a, b)}v${h - 2 * b}${bow(-a, b)}h${2 * a - w}${bow(-a, -b)}v${2 * b - h}${bow(a, -b)}Z`;
}

const ellipse = (cx: number, cy: number, rx: number, ry: number): string =>
  rx > 0 && ry > 0 ? `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z` : '';

function flattened(
  d: string,
  transform: string,
  unitMm: number,
  collector: Collector,
): { closed: boolean; points: Point[] }[] {
  const svgPath = svgpath(d);
  // On an error the parser returns the path up to that point; half a path is rejected.
  if ((svgPath as unknown as { err?: string }).err) {
    collector.skip('skipped.unreadable');
    return [];
  }
  const subpaths: { closed: boolean; points: Point[] }[] = [];
  const tolerance = FILE_TOLERANCE_MM / unitMm;
  const placed = (transform ? svgPath.transform(transform) : svgPath).abs().unshort().unarc();
  let here: Point = { x: 0, y: 0 };
  let start = here;
  placed.iterate(([command, ...n]: [string, ...number[]]) => {
    if (command === 'M') {
      here = start = { x: n[0]!, y: n[1]! };
      return void subpaths.push({ closed: false, points: [here] });
    }
    if (subpaths.length === 0 || subpaths.at(-1)!.closed) subpaths.push({ closed: false, points: [start] });
    const { points } = subpaths.at(-1)!;
    if (command === 'Z') {
      subpaths.at(-1)!.closed = true;
      here = start;
    } else if (command === 'C')
      points.push(
        ...flattenCubic(
          here,
          { x: n[0]!, y: n[1]! },
          { x: n[2]!, y: n[3]! },
          (here = { x: n[4]!, y: n[5]! }),
          tolerance,
        ),
      );
    else if (command === 'Q')
      points.push(...flattenQuadratic(here, { x: n[0]!, y: n[1]! }, (here = { x: n[2]!, y: n[3]! }), tolerance));
    else {
      here =
        command === 'H' ? { x: n[0]!, y: here.y } : command === 'V' ? { x: here.x, y: n[0]! } : { x: n[0]!, y: n[1]! };
      points.push(here);
    }
  });
  return subpaths.filter(({ points }) => points.length > 1);
}
