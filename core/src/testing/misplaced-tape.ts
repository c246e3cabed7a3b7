import { areaFinder } from '../areas';
import type { BackingItem, LineItem, Plan, StagePlan } from '../contract';
import { type Path, pathSlice, type Point, pointAt } from '../curves';
import { isLine, itemsLyingIn } from '../items';
import { areaRef } from '../kit';
import { distanceInBand, placeBand, type PlacedTapeBand, pointBesideLine, samplesInBand } from '../runs';
import type { PartWork } from '../setout';

// Checks the tapes of a plan by their geometry alone, from lines, areas and widths: no rule of the plan is used.

/** A place where tape is missing, or lies on what is painted. */
export interface MisplacedTape {
  readonly code: 'bare' | 'over-open';
  readonly stage: number;
  readonly part: string;
  readonly item: string | null;
  readonly at: Point;
}

/** How far off its line a tape may lie, and how far over what is painted, mm. Source: handbook. */
const OFF_LINE_MM = 0.025;
const OVER_OPEN_MM = 0.2;
/** Samples along each border. */
const PLACES = 9;

/** Finds where an edge has no tape along it, or a tape lies on what is painted without a word on it. */
export function misplacedTape(plan: Plan, works: readonly PartWork[]): MisplacedTape[] {
  return plan.stages.flatMap((stage) => works.flatMap((work) => onPart(stage, work, plan)));
}

function onPart(stage: StagePlan, work: PartWork, plan: Plan): MisplacedTape[] {
  const { part, arrangement, areaIds } = work;
  const on = itemsLyingIn(plan.items, stage).filter((item) => item.part === part.id);
  const [open, covered] = [stage.open, stage.covered].map((refs) =>
    arrangement.areas.map((_, index) => refs.includes(areaRef(part.id, areaIds[index]!))),
  );
  const lines = on.filter(isLine);
  const bare = arrangement.borders.flatMap((border): MisplacedTape[] => {
    const closed =
      open![border.left] && covered![border.right]
        ? border.right
        : open![border.right] && covered![border.left]
          ? border.left
          : null;
    if (closed === null) return [];
    if (lines.some((item) => item.area === areaIds[closed])) return [];
    const side = closed === border.left ? 'left' : 'right';
    const along = lines.filter((item) => item.line === border.line && item.side === side && item.area === null);
    return Array.from(
      { length: PLACES },
      (_, place) => border.from + ((place + 0.5) / PLACES) * (border.to - border.from),
    ).flatMap((sampleAt) => {
      const here = placeOn(work, border.line, sampleAt);
      const off = side === 'left' ? OFF_LINE_MM : -OFF_LINE_MM;
      const just = pointBesideLine(here, off, work.setOut.board.drawn.metric);
      const isTaped = along.some(
        (item) =>
          sampleAt >= item.from - 1e-6 &&
          sampleAt <= item.to + 1e-6 &&
          (untold(item) || nextTo(bandOf(item, work), just)),
      );
      return isTaped ? [] : [{ code: 'bare' as const, stage: stage.number, part: part.id, item: null, at: just }];
    });
  });
  const tapes = on.filter((item): item is LineItem | BackingItem => isLine(item) || item.kind === 'backing');
  const over = tapes.flatMap((item): MisplacedTape[] => {
    if (item.widthMm <= 0 || item.tapeKind === 'T') return [];
    const band = bandOf(item, work);
    if (!band) return [];
    const stretches = item.techniques.flatMap((how) => (how.code === 'technique.trim' ? [how.values] : []));
    return samplesInBand(band).flatMap(({ at, places }) => {
      const isReported = stretches.some(({ fromMm, toMm }) => at >= fromMm - item.widthMm && at <= toMm + item.widthMm);
      const astray = isReported ? undefined : places.find((place) => deepInOpen(place, work, open!));
      return astray
        ? [{ code: 'over-open' as const, stage: stage.number, part: part.id, item: item.id, at: astray }]
        : [];
    });
  });
  return [...bare, ...over];
}

/** Manual choices and film cuts are not checked. */
const untold = ({ material, tapeKind }: LineItem): boolean => material === null || tapeKind === 'T';

const nextTo = (band: PlacedTapeBand | null, place: Point): boolean =>
  band !== null && distanceInBand({ ...band, innerMm: -1, outerMm: band.outerMm }, place) !== null;

/** True where a place and all within the leeway round it are painted. */
const deepInOpen = (place: Point, { arrangement, setOut }: PartWork, open: readonly boolean[]): boolean =>
  [0, 1, 2, 3, 4, 5, 6, 7, 8].every((step) => {
    const [angle, reach] = [(step * Math.PI) / 4, step === 8 ? 0 : OVER_OPEN_MM];
    const near = pointBesideLine(
      { ...place, tx: Math.cos(angle), ty: Math.sin(angle) },
      reach,
      setOut.board.drawn.metric,
    );
    const area = areaFinder(arrangement.areas)(near);
    return area >= 0 && open[area]!;
  });

const pieces = ({ lines }: PartWork, line: string): readonly Path[] =>
  lines.find(({ id }) => id === line)?.pieces ?? [];

const placeOn = (work: PartWork, line: string, along: number) => {
  const whole =
    pieces(work, line).find((piece) => along >= piece[0]!.at - 1e-6 && along <= piece.at(-1)!.at + 1e-6) ??
    pieces(work, line)[0]!;
  return pointAt(whole, along);
};

function bandOf(item: LineItem | BackingItem, work: PartWork): PlacedTapeBand | null {
  const piece = pieces(work, item.line)
    .map((whole) => pathSlice(whole, item.from, item.to))
    .find((path) => path !== null);
  const innerMm = item.kind === 'backing' ? item.offsetMm : 0;
  return piece
    ? placeBand({
        piece,
        side: item.side,
        innerMm,
        outerMm: innerMm + item.widthMm,
        metric: work.setOut.board.drawn.metric,
      })
    : null;
}
