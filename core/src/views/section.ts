import type { Plan, StagePlan } from '../contract';
import type { Place } from '../curves';
import type { Finish } from '../finish';
import { linesIn } from '../items';
import type { Shelf } from '../job';
import { type AreaId, type LineId, type PartId, TOLERANCE } from '../kit';
import type { LinePoint } from '../setout';
import type { Tape } from '../tape';
import { VIEW_RULES } from './rules-of-thumb';

/** One thing in a cut through the edge, from below upwards. */
export interface SectionLayer {
  readonly kind: 'present' | 'film' | 'tape';
  /** Finish, or code of the tape; null: what was there, or cover without a tape. */
  readonly id: string | null;
  /** What a person named it; null: what was there, or cover without a tape. */
  readonly name: string | null;
  readonly colour: string;
  /** Dry film or tape, µm; null if unknown. */
  readonly um: number | null;
  /** Stage that put it there; 0: there before. */
  readonly stage: number;
}

/** A cut through the paint across a line. */
export interface EdgeSection {
  readonly left: { readonly area: AreaId; readonly layers: readonly SectionLayer[] };
  readonly right: { readonly area: AreaId; readonly layers: readonly SectionLayer[] };
}

/** How high the edges along a line stand, and what buries them. */
export interface EdgeRidge {
  /** Stage that leaves the highest edge there; null where no tape makes an edge. */
  readonly stage: number | null;
  readonly ridgeUm: number;
  readonly wet: boolean;
  /** Clear over it on both sides, µm; and what it takes to bury the ridge and flat it. */
  readonly clearUm: number;
  readonly needUm: number;
  readonly buried: boolean;
}

/** A place on a line. */
export interface LineSpot {
  readonly part: PartId;
  readonly line: LineId;
  readonly at: number;
}

/** The areas on both sides of a place; null where the line bounds nothing there. */
export function sidesAt(
  plan: Pick<Plan, 'parts'>,
  { part, line, at }: LineSpot,
): { readonly left: string; readonly right: string } | null {
  const borders = plan.parts.find(({ id }) => id === part)?.borders ?? [];
  return (
    borders.find(
      (border) => border.line === line && at >= border.from - TOLERANCE.along && at <= border.to + TOLERANCE.along,
    ) ?? null
  );
}

/**
 * Cuts through the paint at a place.
 * @param stage number of the stage; 0: before any
 * @param pulled false: with the masks of that stage still on; true: after they came off
 * @returns layers on both sides from below upwards; null where the line bounds nothing
 */
export function edgeSection(
  plan: Plan,
  shelf: Shelf,
  spot: LineSpot,
  stage: number,
  pulled: boolean,
): EdgeSection | null {
  const sides = sidesAt(plan, spot);
  const part = plan.parts.find(({ id }) => id === spot.part);
  if (!sides || !part) return null;
  const sideOf = (side: 'left' | 'right') => {
    const area = sides[side];
    const shows = part.areas.find(({ code }) => code === area)?.shows ?? part.present;
    let layers: SectionLayer[] = [{ kind: 'present', id: null, name: null, colour: shows, um: null, stage: 0 }];
    for (const earlier of plan.stages.slice(0, stage)) {
      layers = [...layers, ...addedBy(plan, earlier, spot, area, side, layers, shelf)];
      // With the tape comes what was sprayed over it.
      if (earlier.number < stage || pulled) layers = withoutTape(plan, layers, spot, side, earlier.number);
    }
    return { area, layers };
  };
  return { left: sideOf('left'), right: sideOf('right') };
}

/** Layers without the tape that comes off after a stage, and what lies on it. */
function withoutTape(
  plan: Plan,
  layers: readonly SectionLayer[],
  spot: LineSpot,
  side: 'left' | 'right',
  stage: number,
): SectionLayer[] {
  const first = layers.findIndex((layer) => {
    const laid = layer.kind === 'tape' ? plan.stages[layer.stage - 1] : undefined;
    return laid !== undefined && (runAt(plan, laid, spot, side)?.until.stage ?? laid.number) <= stage;
  });
  return layers.slice(0, first < 0 ? layers.length : first);
}

/** What a stage puts on one side: its film, under it the tape where that side is covered. */
function addedBy(
  plan: Plan,
  stage: StagePlan,
  spot: LineSpot,
  area: AreaId,
  side: 'left' | 'right',
  below: readonly SectionLayer[],
  { finishes, tapes }: Shelf,
): SectionLayer[] {
  const picture = stage.pictures.find(({ part }) => part === spot.part);
  const mine = picture?.areas.find(({ code }) => code === area);
  if (!picture || !mine || !picture.areas.some(({ open }) => open)) return [];
  const finish = finishes.find(({ id }) => id === stage.finish) as Finish;
  const film: SectionLayer = {
    kind: 'film',
    id: finish.id,
    name: finish.name,
    colour: finish.colour,
    um: stage.buildUm,
    stage: stage.number,
  };
  if (mine.open) return [film];
  const run = runAt(plan, stage, spot, side);
  // On tape that stayed on the film lands where the other side is sprayed.
  if (below.some(({ kind }) => kind === 'tape')) {
    const sides = sidesAt(plan, spot);
    const other = side === 'left' ? sides?.right : sides?.left;
    return picture.areas.some(({ code, open }) => code === other && open) ? [film] : [];
  }
  if (!run) return [];
  const tape = tapes.find(({ code }) => code === run.material) as Tape | undefined;
  return [
    {
      kind: 'tape',
      id: run.material,
      name: tape?.name ?? null,
      colour: '',
      um: tape?.thicknessUm ?? null,
      stage: stage.number,
    },
    film,
  ];
}

const runAt = (plan: Plan, stage: StagePlan, { part, line, at }: LineSpot, side: 'left' | 'right') =>
  linesIn(plan, stage).find(
    (run) =>
      run.part === part &&
      run.line === line &&
      run.side === side &&
      at >= run.from - TOLERANCE.along &&
      at <= run.to + TOLERANCE.along,
  );

/**
 * How high the edge stands at a place: the film sprayed against the tape, piled up where it is pulled wet.
 * Source: handbook formula of the ridge; clear buries it with what is sanded off and what must be left, rules of thumb.
 */
export function ridgeAt(plan: Plan, spot: LineSpot): EdgeRidge {
  const sides = sidesAt(plan, spot);
  const edges = plan.stages.flatMap((stage) => {
    const run = runAt(plan, stage, spot, 'left') ?? runAt(plan, stage, spot, 'right');
    if (run?.class !== 'crisp') return [];
    const wet = stage.school === 'wet';
    return [{ stage: stage.number, wet, ridgeUm: stage.buildUm * (wet ? VIEW_RULES.wetRidge : 1) }];
  });
  const none = { stage: null, wet: false, ridgeUm: 0 };
  const highest = edges.reduce<{ stage: number | null; wet: boolean; ridgeUm: number }>(
    (best, edge) => (edge.ridgeUm > best.ridgeUm ? edge : best),
    none,
  );
  const clearUm = plan.stages
    .filter(({ layer, pictures, number }) => {
      const areas = pictures.find(({ part }) => part === spot.part)?.areas ?? [];
      const open = (code: string | undefined) => areas.find((area) => area.code === code)?.open === true;
      return layer === 'clear' && number > (highest.stage ?? 0) && open(sides?.left) && open(sides?.right);
    })
    .reduce((sum, { buildUm }) => sum + buildUm, 0);
  const needUm = highest.stage === null ? 0 : highest.ridgeUm + VIEW_RULES.sandedUm + VIEW_RULES.clearLeftUm;
  return { ...highest, clearUm, needUm, buried: clearUm >= needUm && clearUm > 0 };
}

/** Place of a distance along a line as the plan draws it; null where no piece of it is there. */
export function pointOnLine(pieces: readonly (readonly LinePoint[])[], alongMm: number): Place | null {
  for (const piece of pieces) {
    const next = piece.findIndex(([, , along]) => along >= alongMm - TOLERANCE.along);
    if (next < 0 || alongMm < piece[0]![2] - TOLERANCE.along) continue;
    const [b, a] = [piece[next]!, piece[Math.max(0, next - 1)]!];
    const share = b[2] === a[2] ? 0 : (alongMm - a[2]) / (b[2] - a[2]);
    return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
  }
  return null;
}
