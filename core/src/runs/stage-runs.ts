import { type Path, pathLength, pathSlice } from '../curves';
import { firstItem, isModelScale, maxOf, minOf, RULE_OF_THUMB, sumOf, TOLERANCE } from '../kit';
import { isClosedOnSurface, type ResolvedLine } from '../lines';
import { type BendSample, follows } from '../tape';
import { type Backing, backingFor } from './backing';
import { longestClean, type TapeChoice, type TapeWish, widestFor } from './choose';
import { cutOutFor } from './cut-out';
import { BEFORE_PLANNING, type EdgeSpan, type PartEdge, stripWidth, tapeEdgeSpans } from './edge-runs';
import { cutFromFilm, laidOwnWay, laidTape, noTapeLaid } from './laid-tape';
import { layOrder } from './lay-order';
import { mergeOntoSheets } from './merge-onto-sheets';
import { type Overhang, overhangs } from './overhang';
import { chosenTape, mostSpecificFirst } from './pinned';
import { roomBeside } from './room';
import { RUN_RULES } from './rules-of-thumb';
import { lineCode, type MaskedPart, type MaskingMeans, pieceAlong, type Run } from './run';
import { sideOf } from './seen-side';
import { type StripTapes, stripTapes } from './strip';

/** A run before the order of application is known. */
type Unordered = Omit<Run, 'sheet' | 'backwards' | 'walkMm'>;

/**
 * Lays out the runs of one stage over all its parts, in order of application: part after part as given; on each
 * crisp edges first, the main line before the others, then always the nearest; what stays longer lies under what
 * comes off before it.
 * @returns runs with tape, length and technique; a run without a tape states why
 */
export const stageRuns = (parts: readonly MaskedPart[], means: MaskingMeans): Run[] =>
  parts.flatMap((part) =>
    mergeOntoSheets(
      part,
      layOrder(
        partRuns(part, means).map((run) => ({
          run,
          piece: pieceAlong(part, run),
          crisp: run.class === 'crisp',
          staysMin: run.staysMin,
        })),
      ).map(({ run: { run }, backwards, walkMm }) => ({ ...run, sheet: null, backwards, walkMm })),
      means.tapes,
    ),
  );

function partRuns(part: MaskedPart, means: MaskingMeans): Unordered[] {
  const stripsDone = new Set<number>();
  const stripEdges = (area: number) => part.edges.filter(({ strip, closed }) => strip && closed === area);
  return tapeEdgeSpans(part.arrangement.borders, part.edges).flatMap((span) => {
    const { strip, closed } = firstItem(span.edges);
    if (!strip) return runsOnSpan(part, span, null, means);
    // One tape makes every edge of a strip: it is laid along the first, and is crisp where any of them is.
    if (stripsDone.has(closed)) return [];
    stripsDone.add(closed);
    const edges = stripEdges(closed);
    const crisp = edges.some((edge) => edge.class === 'crisp');
    return runsOnSpan(part, { ...span, edges, class: crisp ? 'crisp' : span.class }, closed, means);
  });
}

/**
 * How long the tapes that can make an edge come off clean, at best.
 * @returns hours at 23 °C; Infinity where the shelf has none that can
 */
export function longestCleanOn(
  part: Pick<MaskedPart, 'arrangement' | 'lines' | 'skin'>,
  edge: Omit<PartEdge, keyof typeof BEFORE_PLANNING>,
  means: MaskingMeans,
): number {
  const { line: id, from, to, left } = part.arrangement.borders[edge.border]!;
  const span: EdgeSpan = {
    line: id,
    from,
    to,
    side: edge.closed === left ? 'left' : 'right',
    class: edge.class,
    edges: [{ ...edge, ...BEFORE_PLANNING }],
  };
  const line = lineOf(part, span);
  const alone = edge.strip ? aloneOn(part, edge.closed, means) : null;
  const tapes = alone?.tapes ?? means.tapes;
  return line.pieces.reduce((least, whole) => {
    const piece = pathSlice(whole, from, to);
    return piece ? Math.min(least, longestClean(tapes, wishFor(part, piece, span, alone, means))) : least;
  }, Infinity);
}

const lineOf = ({ lines }: Pick<MaskedPart, 'lines'>, { line }: EdgeSpan): ResolvedLine =>
  lines.find(({ id }) => id === line) as ResolvedLine;

function runsOnSpan(part: MaskedPart, span: EdgeSpan, strip: number | null, means: MaskingMeans): Unordered[] {
  const line = lineOf(part, span);
  const pieces = line.pieces.flatMap((whole) => {
    const piece = pathSlice(whole, span.from, span.to);
    return piece ? [piece] : [];
  });
  const alone = strip === null ? null : aloneOn(part, strip, means);
  const shareOf = ({ border }: PartEdge, [start, end]: readonly [number, number]): number => {
    const { from, to } = part.arrangement.borders[border]!;
    return Math.max(0, Math.min(to, end) - Math.max(from, start)) / (to - from);
  };
  return pieces.map((piece, index) => {
    const all = span.edges.map((edge) => ({
      ...edge,
      share: strip === null ? shareOf(edge, [piece[0]!.at, piece.at(-1)!.at]) : 1,
    }));
    const edges = strip === null ? all.filter(({ share }) => share > 0) : index === 0 ? all : [];
    const wish = wishFor(part, piece, span, alone, means);
    const run = runOf({ part, line, piece, span, strip, alone, means }, wish);
    const lengthOf = (which: (edge: PartEdge) => boolean) =>
      sumOf(edges, (edge) =>
        which(edge)
          ? edge.share * (part.arrangement.borders[edge.border]!.to - part.arrangement.borders[edge.border]!.from)
          : 0,
      );
    const backedMm = lengthOf(({ backed }) => backed);
    return {
      ...run,
      edges,
      staysMin: wish.staysMin,
      backing:
        backedMm > 0
          ? trimmed(
              part,
              span,
              piece,
              wish,
              backingFor(piece, run.tapeWidthMm, backedMm, wish, means, (innerMm, widths) =>
                roomBeside(part, firstItem(edges).painted, piece, wish.side, widths, innerMm),
              ),
            )
          : null,
    };
  });
}

/** A backing with where it reaches too far. */
function trimmed(
  part: MaskedPart,
  { edges }: EdgeSpan,
  piece: Path,
  { side }: TapeWish,
  backing: Omit<Backing, 'overhangs'>,
): Backing {
  const { offsetMm, widthMm } = backing;
  return {
    ...backing,
    overhangs: overhangs(part, firstItem(edges).painted, piece, side, {
      innerMm: offsetMm,
      outerMm: offsetMm + widthMm,
    }),
  };
}

/** What covers a strip alone; where nothing does any more no tape fits it. */
const aloneOn = (part: Pick<MaskedPart, 'arrangement'>, strip: number, { tapes }: MaskingMeans): AloneOnStrip =>
  stripTapes(part, strip, tapes) ?? { widthMm: null, slit: false, tapes: [] };
type AloneOnStrip = Omit<StripTapes, 'widthMm'> & { readonly widthMm: number | null };

function wishFor(
  part: Pick<MaskedPart, 'arrangement' | 'skin'>,
  piece: Path,
  span: EdgeSpan,
  alone: AloneOnStrip | null,
  means: MaskingMeans,
): TapeWish {
  const samples: BendSample[] = piece.map(({ at, curvature }) => ({ at, curvature }));
  return {
    samples,
    side: span.side,
    crisp: span.class === 'crisp' || alone !== null,
    exactWidthMm: alone?.widthMm ?? null,
    roomMm: alone ? Infinity : roomBehind(part, piece, span, means),
    ...widthWanted(span, isModelScale(means.scale)),
    surfaceC: means.surfaceC,
    airC: means.airC,
    staysMin: maxOf(span.edges.map(({ staysMin }) => staysMin)),
    bondN25: minOf(span.edges.map(({ bondN25 }) => bondN25)),
    model: isModelScale(means.scale),
  };
}

/** Where a run lies, and what there is to make it with. */
interface Site {
  readonly part: MaskedPart;
  readonly line: ResolvedLine;
  readonly piece: Path;
  readonly span: EdgeSpan;
  readonly strip: number | null;
  /** What covers the strip; null: it is none. */
  readonly alone: AloneOnStrip | null;
  readonly means: MaskingMeans;
}

function runOf(site: Site, wish: TapeWish): Omit<Unordered, 'edges' | 'backing' | 'staysMin'> {
  const { part, line, piece, span, strip, alone, means } = site;
  const [from, to] = [piece[0]!.at, piece.at(-1)!.at];
  const place = {
    part: part.id,
    line: line.id,
    lineCode: line.code,
    from,
    to,
    side: span.side,
    sideSeen: sideOf(part.round, piece, span.side),
    class: span.class,
    between: span.edges[0]!,
    edgeMm: to - from,
    count: part.count,
    strip,
  };
  const ownWay = mostSpecificFirst({ part: part.id, line: line.owner, side: span.side }, means.ownWays ?? [])[0];
  if (ownWay) return { ...place, ...laidOwnWay(ownWay, wish) };
  const { choice, overhang } = narrowEnough(site, wish);
  // What a person has chosen is laid, not cut from film. Letters share one film: each has room on it.
  const onFilm = line.id === line.owner ? wish : { ...wish, roomMm: Infinity };
  const cut = choice?.pinned ? null : cutOutFor(means.tapes, piece, onFilm, choice);
  // Letters that stand beside one another come out of one film: one for each would lie over its neighbours.
  if (cut) return { ...place, ...cutFromFilm(cut, line.id === line.owner ? null : lineCode(part, line)) };
  if (!choice) return { ...place, ...noTapeLaid(wish, strip) };
  const on = {
    piece,
    crosses: line.crosses,
    posts: part.posts,
    rows: part.rows,
    metric: part.skin.metric,
    side: span.side,
    folds: part.skin.folds,
    oneTapeWide: strip !== null,
    soft: span.class === 'soft',
    overhangs: overhang,
    closed: isClosedOnSurface(piece, part.skin),
    slitMm: alone?.slit ? alone.widthMm : null,
    gapMm: gapBeside(part, span),
  };
  return { ...place, ...laidTape(choice, wish, on, means.tapes) };
}

/** Width of what is painted beside a run where that is a narrow gap between two tapes; null where it is not. */
function gapBeside({ arrangement }: MaskedPart, { edges }: EdgeSpan): number | null {
  const { free } = edges[0]!;
  const widthMm = stripWidth(arrangement.areas[free]!, free, arrangement.borders);
  return widthMm !== null && widthMm < RUN_RULES.narrowGap ? widthMm : null;
}

/** The tape of a run, narrower than it might be where it would lie on what is painted for long, as between lines that taper; and where it still does. */
function narrowEnough(
  { part, line, piece, span, alone, means }: Site,
  wish: TapeWish,
): { choice: TapeChoice | null; overhang: readonly Overhang[] } {
  const tapes = alone?.tapes ?? means.tapes;
  const choose = (roomMm: number) =>
    chosenTape({ part: part.id, line: line.owner, side: span.side }, { ...wish, roomMm }, tapes, means.pins ?? []);
  const overhangOf = ({ tape }: TapeChoice) =>
    overhangs(part, firstItem(span.edges).painted, piece, wish.side, { innerMm: 0, outerMm: tape.widthMm });
  // What covers a narrow area is cut off at its far line rather than left short of it.
  const coversMm = maxOf(span.edges.map((edge) => edge.coversMm ?? 0));
  let choice = choose(coversMm > 0 ? Infinity : wish.roomMm);
  let overhang = choice ? overhangOf(choice) : [];
  while (choice && !choice.pinned && alone === null) {
    const over = sumOf(overhang, ({ fromMm, toMm }) => toMm - fromMm);
    if (over <= RUN_RULES.mostTrimmed * pathLength(piece)) break;
    const narrower = choose(choice.tape.widthMm - TOLERANCE.tapeWidth);
    const asGood =
      narrower &&
      narrower.tape.widthMm >= coversMm &&
      follows(narrower.fit) &&
      narrower.hold === choice.hold &&
      narrower.doubts.length <= choice.doubts.length;
    if (!asGood) break;
    choice = narrower;
    overhang = overhangOf(choice);
  }
  return { choice, overhang };
}

/** Room for a tape on the covered side; what neighbours it that is covered too, and free edges, set no limit. */
function roomBehind(
  part: Pick<MaskedPart, 'arrangement' | 'skin'>,
  piece: Path,
  { edges, side, class: edgeClass }: EdgeSpan,
  { tapes }: MaskingMeans,
): number {
  const widths = tapes.flatMap((tape) =>
    tape.kind === 'T' || tape.widthMm > widestFor(tape, { crisp: edgeClass === 'crisp' }) ? [] : [tape.widthMm],
  );
  return roomBeside(part, firstItem(edges).painted, piece, side, widths);
}

/**
 * Width the tape of a run is to have: enough for the narrow area it covers, the cover that hangs from it, or a brush
 * beside it. Over the edge of a backing a narrow one is easier to lead and comes off easier.
 */
function widthWanted({ edges }: EdgeSpan, model: boolean): Pick<TapeWish, 'leastMm' | 'narrowest'> {
  const size = model ? 'model' : 'full';
  const coversMm = maxOf(edges.map((edge) => edge.coversMm ?? 0));
  if (coversMm > 0) return { leastMm: coversMm };
  if (edges.some(({ backed }) => backed)) return { leastMm: RULE_OF_THUMB.usualLineTape[size], narrowest: true };
  if (edges.some(({ brushed }) => brushed)) return { leastMm: RUN_RULES.besideBrush };
  return edges.some(({ carries }) => carries) ? { leastMm: RUN_RULES.carries[size] } : {};
}
