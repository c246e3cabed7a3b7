import * as v from 'valibot';
import { distance, distanceToSegment, isInsideRing, type Point, ringLength } from '../curves';
import { idText, messageWithoutValues, nameText, numberBetween, TOLERANCE, wholeBetween } from '../kit';
import type { SurfaceMessage } from './messages';
import { outlineRing, outlineSchema, ringFaults } from './outline';
import type { PlacedPoint } from './skin';
import { addVectors, scaleVector, type SpacePoint } from './space';

/** One flat panel of a folded piece; all but the first hang on an edge of another. */
export const panelSchema = v.strictObject({
  id: idText(),
  name: nameText(),
  outline: outlineSchema,
  fold: v.nullable(
    v.strictObject({
      /** The panel it hangs on, and which edge of that panel (0 is the first). */
      on: idText(),
      edge: wholeBetween(0, 499),
      /** Its own edge along the fold. */
      own: wholeBetween(0, 499),
      /** How far it is folded back from flat, away from the outside; below 0 folds towards it. */
      angleDeg: numberBetween(-175, 175, '°'),
      /** Radius of the bend on the painted side, mm. */
      radius: numberBetween(0, 1000, 'mm'),
    }),
  ),
});
export type Panel = v.InferOutput<typeof panelSchema>;

/** A panel on the unrolled sheet, with where it is in space. */
export interface PlacedPanel {
  readonly id: string;
  readonly name: string;
  readonly ring: readonly Point[];
  /** Place on the sheet → place on the part, mm: from + x·across + y·up. */
  readonly from: SpacePoint;
  readonly across: SpacePoint;
  readonly up: SpacePoint;
  /** Outward direction. */
  readonly out: SpacePoint;
  readonly fold: PlacedFold | null;
}

/** The bend a panel hangs on: a strip of the sheet between the fold line on its parent and the panel itself. */
interface PlacedFold {
  readonly parent: number;
  /** Fold line on the parent, and the direction on the sheet that leads away from it. */
  readonly a: Point;
  readonly b: Point;
  readonly away: Point;
  readonly widthMm: number;
  readonly angle: number;
  readonly radius: number;
}

export interface FoldedNet {
  readonly ring: readonly Point[];
  readonly panels: readonly PlacedPanel[];
}

/** Faults of a folded piece, each with the panel it concerns. */
export function foldedFaults(panels: readonly Panel[]): { readonly panel: number; readonly why: SurfaceMessage }[] {
  const faults = panels.flatMap((panel, index) => panelFaults(panel, index, panels));
  if (faults.length > 0) return faults;
  const net = unfold(panels);
  const crossed = ringFaults(net.ring);
  return crossed.length > 0 ? [{ panel: panels.length - 1, why: messageWithoutValues('panel.overlap') }] : [];
}

function panelFaults(
  { id, fold }: Panel,
  index: number,
  panels: readonly Panel[],
): { panel: number; why: SurfaceMessage }[] {
  const say = (why: SurfaceMessage) => [{ panel: index, why }];
  if (index === 0) return fold === null ? [] : say(messageWithoutValues('panel.first-hangs'));
  if (fold === null) return say(messageWithoutValues('panel.hangs-nowhere'));
  const parentIndex = panels.findIndex((other) => other.id === fold.on);
  if (parentIndex < 0) return say({ code: 'panel.no-panel', values: { panel: fold.on } });
  if (parentIndex >= index || fold.on === id) return say(messageWithoutValues('panel.further-up'));
  const rim = outlineRing(panels[parentIndex]!.outline);
  const points = outlineRing(panels[index]!.outline);
  if (fold.edge >= rim.length)
    return say({ code: 'panel.few-edges', values: { panel: panels[parentIndex]!.name, edges: rim.length } });
  if (fold.own >= points.length) return say({ code: 'panel.own-few-edges', values: { edges: points.length } });
  const parentFold = panels[parentIndex]!.fold;
  if (parentFold && parentFold.own === fold.edge) return say(messageWithoutValues('panel.edge-taken'));
  if (panels.slice(0, index).some((other) => other.fold && other.fold.on === fold.on && other.fold.edge === fold.edge))
    return say(messageWithoutValues('panel.edge-taken'));
  const [there, here] = [edgeLength(rim, fold.edge), edgeLength(points, fold.own)];
  if (here > there + 0.01) return say({ code: 'panel.edge-long', values: { ownMm: here, otherMm: there } });
  return [];
}

const edgeLength = (ring: readonly Point[], edge: number): number =>
  distance(ring[edge]!, ring[(edge + 1) % ring.length]!);

/**
 * Unfolds panels onto one sheet; every bend is as wide on it as its arc is long.
 * @param panels sound by foldedFaults
 */
export function unfold(panels: readonly Panel[]): FoldedNet {
  const placed: PlacedPanel[] = [];
  for (const panel of panels) placed.push(placePanel(panel, placed));
  return { ring: withoutRepeats(ringRound(0, placed, null)), panels: placed };
}

function placePanel({ id, name, outline, fold }: Panel, placed: readonly PlacedPanel[]): PlacedPanel {
  const points = outlineRing(outline);
  const parent = fold ? placed.findIndex((other) => other.id === fold.on) : -1;
  if (!fold || parent < 0)
    return {
      id,
      name,
      ring: points,
      from: { x: 0, y: 0, z: 0 },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      out: { x: 0, y: -1, z: 0 },
      fold: null,
    };
  const base = placed[parent]!;
  const a = base.ring[fold.edge]!;
  const b = base.ring[(fold.edge + 1) % base.ring.length]!;
  const length = distance(a, b);
  const e = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const away = { x: e.y, y: -e.x };
  const angle = (fold.angleDeg * Math.PI) / 180;
  const widthMm = Math.abs(angle) * fold.radius;
  const [first, second] = [points[fold.own]!, points[(fold.own + 1) % points.length]!];
  const ownLength = distance(first, second);
  const d = { x: (second.x - first.x) / ownLength, y: (second.y - first.y) / ownLength };
  // Turned so that its own edge runs against the edge it hangs on, and moved to the far side of the bend.
  const [cos, sin] = [-(d.x * e.x + d.y * e.y), -(d.x * e.y - d.y * e.x)];
  const target = { x: a.x + away.x * widthMm, y: a.y + away.y * widthMm };
  const ring = points.map(({ x, y }) => ({
    x: target.x + cos * (x - second.x) - sin * (y - second.y),
    y: target.y + sin * (x - second.x) + cos * (y - second.y),
  }));
  const end = ring[fold.own]!;
  const bend = {
    parent,
    a,
    b: { x: end.x - away.x * widthMm, y: end.y - away.y * widthMm },
    away,
    widthMm,
    angle,
    radius: fold.radius,
  };
  return { id, name, ring, fold: bend, ...bent(base, a, e, bend) };
}

/** Where a panel is in space after the bend of its fold. */
function bent(base: PlacedPanel, a: Point, e: Point, { away, angle, radius, widthMm }: PlacedFold) {
  const onBase = (p: Point): SpacePoint => addVectors(addVectors(base.from, base.across, p.x), base.up, p.y);
  const along = directionOn(base, e);
  const out = directionOn(base, away);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const turned = addVectors(scaleVector(out, cos), base.out, -sin);
  const normal = addVectors(scaleVector(out, sin), base.out, cos);
  const sign = Math.sign(angle) || 1;
  const end = addVectors(addVectors(onBase(a), out, radius * Math.abs(sin)), base.out, -sign * radius * (1 - cos));
  // Directions of the sheet's own x and y, after the bend.
  const across = addVectors(scaleVector(along, e.x), turned, away.x);
  const up = addVectors(scaleVector(along, e.y), turned, away.y);
  const corner = { x: a.x + away.x * widthMm, y: a.y + away.y * widthMm };
  return { from: addVectors(addVectors(end, across, -corner.x), up, -corner.y), across, up, out: normal };
}

const directionOn = (panel: Pick<PlacedPanel, 'across' | 'up'>, d: Point): SpacePoint =>
  addVectors(scaleVector(panel.across, d.x), panel.up, d.y);

/** Walks round a panel and everything that hangs on it, anticlockwise. */
function ringRound(index: number, placed: readonly PlacedPanel[], skip: number | null): Point[] {
  const { ring } = placed[index]!;
  const start = skip === null ? 0 : (skip + 1) % ring.length;
  const count = skip === null ? ring.length : ring.length - 1;
  const walk: Point[] = [];
  for (let step = 0; step < count; step++) {
    const edge = (start + step) % ring.length;
    walk.push(ring[edge]!);
    const child = placed.findIndex(
      ({ fold }) =>
        fold?.parent === index && distance(fold.a, ring[edge]!) < TOLERANCE.along && onEdge(fold.b, ring, edge),
    );
    if (child < 0) continue;
    const hanging = placed[child]!;
    const startCorner = hanging.ring.findIndex(
      (corner) => distance(corner, farSide(hanging.fold as PlacedFold)) < TOLERANCE.along,
    );
    walk.push(
      ...ringRound(child, placed, (startCorner + hanging.ring.length - 1) % hanging.ring.length),
      (hanging.fold as PlacedFold).b,
    );
  }
  if (skip !== null) walk.push(ring[skip]!);
  return walk;
}

const farSide = ({ a, away, widthMm }: PlacedFold): Point => ({ x: a.x + away.x * widthMm, y: a.y + away.y * widthMm });

const onEdge = (place: Point, ring: readonly Point[], edge: number): boolean =>
  distanceToSegment(place, ring[edge]!, ring[(edge + 1) % ring.length]!) < TOLERANCE.grid;

const withoutRepeats = (ring: readonly Point[]): Point[] =>
  ring.filter((place, index) => distance(place, ring[(index + 1) % ring.length]!) > TOLERANCE.grid);

/** Place in space, and outward direction there, of a place on the unfolded sheet. */
export function netToSpace({ panels }: FoldedNet, place: Point): PlacedPoint {
  const panel = panels.find(({ ring }) => isInsideRing(place, ring));
  if (panel) return onPanel(panel, place);
  for (const { fold } of panels) {
    if (!fold || fold.widthMm === 0) continue;
    const d = (place.x - fold.a.x) * fold.away.x + (place.y - fold.a.y) * fold.away.y;
    const share =
      ((place.x - fold.a.x) * (fold.b.x - fold.a.x) + (place.y - fold.a.y) * (fold.b.y - fold.a.y)) /
      Math.max(TOLERANCE.rounding, distance(fold.a, fold.b) ** 2);
    if (
      d >= -TOLERANCE.along &&
      d <= fold.widthMm + TOLERANCE.along &&
      share >= -TOLERANCE.along &&
      share <= 1 + TOLERANCE.along
    )
      return onBend(panels[fold.parent]!, fold, place, d);
  }
  const nearest = [...panels].sort((a, b) => reach(place, a.ring) - reach(place, b.ring))[0]!;
  return onPanel(nearest, place);
}

const onPanel = ({ from, across, up, out }: PlacedPanel, { x, y }: Point) => ({
  at: addVectors(addVectors(from, across, x), up, y),
  out,
});

function onBend(parent: PlacedPanel, { away, angle, radius }: PlacedFold, place: Point, d: number) {
  const foot = { x: place.x - away.x * d, y: place.y - away.y * d };
  const turn = Math.sign(angle) * (d / radius);
  const out = directionOn(parent, away);
  const point = addVectors(
    addVectors(onPanel(parent, foot).at, out, radius * Math.abs(Math.sin(turn))),
    parent.out,
    -Math.sign(angle) * radius * (1 - Math.cos(turn)),
  );
  return { at: point, out: addVectors(scaleVector(out, Math.sin(turn)), parent.out, Math.cos(turn)) };
}

const reach = (place: Point, ring: readonly Point[]): number =>
  ring.reduce(
    (least, corner, index) => Math.min(least, distanceToSegment(place, corner, ring[(index + 1) % ring.length]!)),
    ringLength(ring),
  );
