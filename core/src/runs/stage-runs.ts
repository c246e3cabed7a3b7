import { pieceOf, type Path } from '../curves';
import { meetsItself, type ResolvedLine } from '../lines';
import { follows, type BendSample, type Tape } from '../tape';
import { isModelScale, largest, plainly, smallest, RULE_OF_THUMB, sumOf, TOLERANCE, theFirst } from '../units';
import { backingFor, seamTape } from './backing';
import { longestClean, type TapeChoice, type TapeWish } from './choose';
import { cutOutFor, type CutOut } from './cut-out';
import { edgeSpans, stripWidth, type EdgeSpan, type PartEdge } from './edge-runs';
import { ontoSheets } from './onto-sheets';
import { overhangs } from './overhang';
import { chosenTape } from './pinned';
import { lineCode, pieceAlong, type MaskedPart, type MaskingMeans, type Run } from './run';
import type { Doubt } from './says';
import { sideOf } from './side-seen';
import { techniquesFor } from './technique';
import { walkOrder } from './walk';

/** A run before its place in the order of laying is known. */
type Unordered = Omit<Run, 'sheet' | 'backwards' | 'walkMm'>;

/**
 * Lays out the runs of one stage over all its parts, in laying order: part after part as they are given; on each crisp edges first, the
 * main line before the others, then always the nearest.
 * @returns runs with their tape, length and technique; a run without a tape tells why
 */
export const stageRuns = (parts: readonly MaskedPart[], means: MaskingMeans): Run[] =>
  parts.flatMap((part) =>
    ontoSheets(
      part,
      walkOrder(partRuns(part, means).map((run) => ({ run, piece: pieceAlong(part, run), crisp: run.class === 'crisp' }))).map(
        ({ run: { run }, backwards, walkMm }) => ({ ...run, sheet: null, backwards, walkMm }),
      ),
      means.tapes,
    ),
  );

function partRuns(part: MaskedPart, means: MaskingMeans): Unordered[] {
  const stripsDone = new Set<number>();
  const stripEdges = (area: number) => part.edges.filter(({ strip, closed }) => strip && closed === area);
  return edgeSpans(part.arrangement.borders, part.edges).flatMap((span) => {
    const { strip, closed } = theFirst(span.edges);
    if (!strip) return runsOnSpan(part, span, null, means);
    // One tape makes every edge of a strip: it is laid along the first, and is crisp where any of them is.
    if (stripsDone.has(closed)) return [];
    stripsDone.add(closed);
    const edges = stripEdges(closed);
    const crisp = edges.some((edge) => edge.class === 'crisp');
    return runsOnSpan(part, { ...span, edges, class: crisp ? 'crisp' : span.class }, closed, means);
  });
}

/** Width of a covered strip that one crisp tape on the shelf covers; null for anything else. */
export function oneTapeStrip({ arrangement }: Pick<MaskedPart, 'arrangement'>, area: number, tapes: readonly Tape[]): number | null {
  const width = stripWidth(arrangement.areas[area]!, area, arrangement.borders);
  if (width === null) return null;
  const tape = tapes.find(({ edge, widthMm }) => edge === 'crisp' && Math.abs(widthMm - width) <= TOLERANCE.tapeWidth);
  return tape ? tape.widthMm : null;
}

/**
 * How long the tapes that can make an edge come off clean, at best.
 * @returns hours at 23 °C; Infinity where the shelf has none that can
 */
export function longestCleanOn(
  part: Pick<MaskedPart, 'arrangement' | 'lines'>,
  edge: Omit<PartEdge, 'staysMin' | 'bondN25' | 'backing' | 'seam'>,
  means: MaskingMeans,
): number {
  const { line: id, from, to, left } = part.arrangement.borders[edge.border]!;
  const span: EdgeSpan = {
    line: id,
    from,
    to,
    side: edge.closed === left ? 'left' : 'right',
    class: edge.class,
    edges: [{ ...edge, staysMin: 0, bondN25: Infinity, backing: false, seam: false }],
  };
  const line = lineOf(part, span);
  return line.pieces.reduce((least, whole) => {
    const piece = pieceOf(whole, from, to);
    return piece ? Math.min(least, longestClean(means.tapes, wishFor(part, piece, span, edge.strip ? edge.closed : null, means))) : least;
  }, Infinity);
}

const lineOf = ({ lines }: Pick<MaskedPart, 'lines'>, { line }: EdgeSpan): ResolvedLine => lines.find(({ id }) => id === line) as ResolvedLine;

function runsOnSpan(part: MaskedPart, span: EdgeSpan, strip: number | null, means: MaskingMeans): Unordered[] {
  const line = lineOf(part, span);
  const pieces = line.pieces.flatMap((whole) => {
    const piece = pieceOf(whole, span.from, span.to);
    return piece ? [piece] : [];
  });
  const shareOf = ({ border }: PartEdge, [start, end]: readonly [number, number]): number => {
    const { from, to } = part.arrangement.borders[border]!;
    return Math.max(0, Math.min(to, end) - Math.max(from, start)) / (to - from);
  };
  return pieces.map((piece, index) => {
    const all = span.edges.map((edge) => ({ ...edge, share: strip === null ? shareOf(edge, [piece[0]!.at, piece.at(-1)!.at]) : 1 }));
    const edges = strip === null ? all.filter(({ share }) => share > 0) : index === 0 ? all : [];
    const run = runOf(part, line, piece, span, strip, means);
    const lengthOf = (which: (edge: PartEdge) => boolean) =>
      sumOf(edges, (edge) => (which(edge) ? edge.share * (part.arrangement.borders[edge.border]!.to - part.arrangement.borders[edge.border]!.from) : 0));
    const [backedMm, seamMm] = [span.class === 'crisp' ? lengthOf(({ backing }) => backing) : 0, lengthOf(({ seam }) => seam)];
    const wish = wishFor(part, piece, span, strip, means);
    return {
      ...run,
      edges,
      backing: backedMm > 0 ? backingFor(piece, run.tapeWidthMm, backedMm, wish, means) : null,
      seam: seamMm > 0 ? { tape: seamTape(wish, means), lengthMm: seamMm } : null,
    };
  });
}

function wishFor(part: Pick<MaskedPart, 'arrangement'>, piece: Path, span: EdgeSpan, strip: number | null, means: MaskingMeans): TapeWish {
  const samples: BendSample[] = piece.map(({ at, curvature }) => ({ at, curvature }));
  return {
    samples,
    side: span.side,
    crisp: span.class === 'crisp' || strip !== null,
    exactWidthMm: strip === null ? null : oneTapeStrip(part, strip, means.tapes),
    roomMm: roomBehind(part, span),
    surfaceC: means.surfaceC,
    airC: means.airC,
    staysMin: largest(span.edges.map(({ staysMin }) => staysMin)),
    bondN25: smallest(span.edges.map(({ bondN25 }) => bondN25)),
    model: isModelScale(means.scale),
  };
}

function runOf(
  part: MaskedPart,
  line: ResolvedLine,
  piece: Path,
  span: EdgeSpan,
  strip: number | null,
  means: MaskingMeans,
): Omit<Unordered, 'edges' | 'backing' | 'seam'> {
  const wish = wishFor(part, piece, span, strip, means);
  const choice = narrowEnough(part, line, piece, span, wish, means);
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
  // What a person has chosen is laid, not cut from film.
  const cut = choice?.pinned ? null : cutOutFor(means.tapes, piece, wish, choice);
  // Letters that stand beside one another come out of one film: one for each would lie over its neighbours.
  if (cut) return { ...place, ...cutFrom(cut, line.id === line.owner ? null : lineCode(part, line)) };
  return choice ? { ...place, ...laidOf(choice, piece, line, strip, part, wish, span.class === 'soft') } : { ...place, ...byHand(wish, strip) };
}

/** A tape that would have to be cut off along more than this share of its run gives way to a narrower one. */
const MOST_TRIMMED = 0.1;

/** The tape of a run: narrower than it might be where it would lie on what is painted for long, as between lines that taper. */
function narrowEnough(part: MaskedPart, line: ResolvedLine, piece: Path, span: EdgeSpan, wish: TapeWish, means: MaskingMeans): TapeChoice | null {
  const choose = (roomMm: number) => chosenTape({ part: part.id, line: line.owner, side: span.side }, { ...wish, roomMm }, means.tapes, means.pins ?? []);
  let choice = choose(wish.roomMm);
  while (choice && !choice.pinned && wish.exactWidthMm === null) {
    const over = sumOf(overhangs(part, piece, wish.side, choice.tape.widthMm, wish.roomMm), ({ fromMm, toMm }) => toMm - fromMm);
    if (over <= MOST_TRIMMED * (piece.at(-1)!.at - piece[0]!.at)) break;
    const narrower = choose(choice.tape.widthMm - TOLERANCE.tapeWidth);
    const asGood = narrower && follows(narrower.fit) && narrower.hold === choice.hold && narrower.doubts.length <= choice.doubts.length;
    if (!asGood) break;
    choice = narrower;
  }
  return choice;
}

/** What of a run is not its place. */
type Laid = Omit<
  Unordered,
  'edges' | 'backing' | 'seam' | 'part' | 'line' | 'lineCode' | 'from' | 'to' | 'side' | 'sideSeen' | 'class' | 'between' | 'edgeMm' | 'count' | 'strip'
>;

const cutFrom = ({ film, inside, lengthMm }: CutOut, others: string | null): Laid => ({
  tape: film.code,
  tapeKind: film.kind,
  tapeWidthMm: film.widthMm,
  verdict: 'lays',
  stretch: 0,
  worstAt: null,
  worstRadiusMm: null,
  cleanHours: film.cleanHours,
  tapeMm: lengthMm,
  hold: 'safe',
  pinned: false,
  techniques: [{ code: 'technique.cut-out', values: { inside, with: inside ? null : others } }],
  doubts: [],
});

/** What both ends of a tape are longer than its edge, mm. */
const tailsOf = ({ model }: TapeWish): number => 2 * (model ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full);

function laidOf(choice: TapeChoice, piece: Path, line: ResolvedLine, strip: number | null, part: MaskedPart, wish: TapeWish, soft: boolean): Laid {
  const { tape, fit, hold, doubts } = choice;
  return {
    tape: tape.code,
    tapeKind: tape.kind,
    tapeWidthMm: tape.widthMm,
    verdict: fit.verdict,
    stretch: fit.stretch,
    worstAt: fit.worstAt,
    worstRadiusMm: fit.worstRadiusMm,
    cleanHours: tape.cleanHours,
    tapeMm: (piece.at(-1)!.at - piece[0]!.at) / (1 + fit.stretch) + tailsOf(wish),
    hold,
    pinned: choice.pinned ?? false,
    techniques: techniquesFor({
      ...choice,
      piece,
      crosses: line.crosses,
      folds: part.skin.folds,
      oneTapeWide: strip !== null,
      soft,
      overhangs: strip === null ? overhangs(part, piece, wish.side, tape.widthMm, wish.roomMm) : [],
      closed: meetsItself(piece, part.skin),
    }),
    doubts,
  };
}

/** Where the shelf has no tape for it. */
function byHand(wish: TapeWish, strip: number | null): Laid {
  const none: Doubt = strip === null ? { code: 'doubt.none-narrow', values: { roomMm: wish.roomMm } } : plainly('doubt.none-for-strip');
  return {
    tape: null,
    tapeKind: null,
    tapeWidthMm: 0,
    verdict: 'none',
    stretch: 0,
    worstAt: null,
    worstRadiusMm: null,
    cleanHours: Infinity,
    tapeMm: wish.samples.at(-1)!.at - wish.samples[0]!.at + tailsOf(wish),
    hold: null,
    pinned: false,
    techniques: [plainly('technique.by-hand')],
    doubts: [none],
  };
}

/** Room for a tape on the covered side: the width of a strip, else about that of the narrowest area behind it. */
function roomBehind({ arrangement }: Pick<MaskedPart, 'arrangement'>, { edges }: EdgeSpan): number {
  return Math.min(
    ...[...new Set(edges.map(({ closed }) => closed))].map((index) => {
      const area = arrangement.areas[index]!;
      return stripWidth(area, index, arrangement.borders) ?? (2 * area.sizeMm2) / area.perimeterMm;
    }),
  );
}
