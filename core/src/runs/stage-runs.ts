import { isClosed, pieceOf, type Path, ringArea } from '../curves';
import type { Arrangement } from '../areas';
import { lineCode as codeOfLine, meetsItself, type ResolvedLine } from '../lines';
import type { EdgeClass, Hold } from '../masking';
import type { Skin } from '../surface';
import { follows, type BendSample, type Fit, type LineSide, type Tape, type TapeKind } from '../tape';
import { isModelScale, largest, plainly, smallest, RULE_OF_THUMB, sumOf, TOLERANCE, type LineId, type PartId, type TapeCode, theFirst } from '../units';
import { backingFor, seamTape, type Backing } from './backing';
import { chooseTape, longestClean, type TapeChoice, type TapeWish } from './choose';
import { cutOutFor, type CutOut } from './cut-out';
import { edgeSpans, stripWidth, type EdgeSpan, type PartEdge } from './edge-runs';
import type { Doubt } from './says';
import { sheetFor, type CutShape } from './sheet';
import { techniquesFor, type LaidHow } from './technique';
import { walkOrder } from './walk';

/** Which side of its line a tape lies on, as a person sees it: on the drawing of a flat part, on a round part itself. */
export type SideSeen =
  'above' | 'below' | 'left-of' | 'right-of' | 'near-end-of' | 'far-end-of' | 'upper-side-of' | 'lower-side-of' | 'inside-of' | 'outside-of';

/** One length of one tape at one place. */
export interface Run {
  readonly part: PartId;
  readonly line: LineId;
  readonly lineCode: string;
  readonly from: number;
  readonly to: number;
  /** Side of the line the tape lies on, as seen along it, and as a person sees it. */
  readonly side: LineSide;
  readonly sideSeen: SideSeen;
  readonly class: EdgeClass;
  /** The areas it lies between, where it begins. */
  readonly between: Pick<PartEdge, 'free' | 'closed'>;
  /** The borders it makes, each with its share of it; the edges of a strip stand with its first piece. */
  readonly edges: readonly (PartEdge & { readonly share: number })[];
  /** Null where the shelf has no tape for it. */
  readonly tape: TapeCode | null;
  readonly tapeKind: TapeKind | null;
  readonly tapeWidthMm: number;
  readonly verdict: Fit['verdict'] | 'none';
  /** Mean stretch to lay it in, as a fraction. */
  readonly stretch: number;
  readonly worstAt: number | null;
  readonly worstRadiusMm: number | null;
  /** How long this tape comes off clean, minutes; Infinity where there is none. */
  readonly cleanHours: number;
  /** Length of the edge, and of tape off the roll with both tails; one piece. */
  readonly edgeMm: number;
  readonly tapeMm: number;
  /** How many alike. */
  readonly count: number;
  /** Area this tape alone covers, by index; null for any other run. */
  readonly strip: number | null;
  /** Whether the tape may lie on what is below; null where there is none. */
  readonly hold: Hold | null;
  /** At least one. */
  readonly techniques: readonly LaidHow[];
  readonly doubts: readonly Doubt[];
  /** What lies behind it, and over the edge of its cover; null: nothing. A seam without a tape: the shelf has none. */
  readonly backing: Backing | null;
  readonly seam: { readonly tape: ReturnType<typeof seamTape>; readonly lengthMm: number } | null;
  /** A person has chosen its tape. */
  readonly pinned: boolean;
  /** Where it is cut from one film with others: the place of the first of them among the runs of its part, which stands for the film. */
  readonly sheet: number | null;
  /** Laid from its far end, so that one need not go back; how far one walks to it from the end of the one before on its part, mm. */
  readonly backwards: boolean;
  readonly walkMm: number;
}

/** A run before its place in the order of laying is known. */
type Unordered = Omit<Run, 'sheet' | 'backwards' | 'walkMm'>;

/** One part as the runs see it. */
export interface MaskedPart {
  readonly id: string;
  readonly count: number;
  /** Turned, a tube or a cone: its near end is where measuring along it begins, its top is y = 0. */
  readonly round: boolean;
  readonly lines: readonly ResolvedLine[];
  /** Its skin as drawn. */
  readonly skin: Pick<Skin, 'folds' | 'seam'>;
  readonly arrangement: Arrangement;
  /** Edges of its mask that are laid in this stage. */
  readonly edges: readonly PartEdge[];
}

/** A tape a person has chosen: for one side of a line, a line, or, with neither, wherever a line is made. */
export interface TapePinned {
  readonly part?: PartId;
  readonly line?: LineId;
  readonly side?: LineSide;
  readonly tape: TapeCode;
}

/** What there is to mask with. */
export interface MaskingMeans {
  /** What there is of it: not what has run out, or is not to be used. */
  readonly tapes: readonly Tape[];
  /** What a person has chosen. */
  readonly pins?: readonly TapePinned[];
  readonly scale: number;
  readonly surfaceC: number;
  readonly airC: number;
}

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
      means,
    ),
  );

/** Shapes of one line that are cut from film come out of one: the first of them stands for the film, the others take none of their own. */
function ontoSheets(part: MaskedPart, runs: readonly Run[], means: MaskingMeans): Run[] {
  const shapeOf = (run: Run): CutShape | null => {
    const cut = run.techniques.find(({ code }) => code === 'technique.cut-out');
    const line = part.lines.find(({ id }) => id === run.line) as ResolvedLine;
    if (cut?.code !== 'technique.cut-out' || line.id === line.owner) return null;
    return { part: part.id, owner: line.owner, code: lineCode(part, line), piece: pieceAlong(part, run), inside: cut.values.inside };
  };
  const shapes = runs.map(shapeOf);
  const owners = [...new Set(shapes.flatMap((shape) => (shape ? [shape.owner] : [])))];
  const sheets = new Map(
    owners.flatMap((owner) => {
      const sheet = sheetFor(
        shapes.flatMap((shape) => (shape?.owner === owner ? [shape] : [])),
        means.tapes,
      );
      return sheet ? [[owner, sheet] as const] : [];
    }),
  );
  return runs.map((run, index): Run => {
    const own = shapes[index]?.owner;
    const sheet = own === undefined ? undefined : sheets.get(own);
    if (!sheet) return run;
    const head = shapes.findIndex((shape) => shape?.owner === own);
    const { film, shapes: count, inner, widthMm, heightMm, code, lengthMm } = sheet;
    return {
      ...run,
      sheet: head,
      tape: film.code,
      tapeWidthMm: film.widthMm,
      cleanHours: film.cleanHours,
      tapeMm: head === index ? lengthMm : 0,
      techniques: [{ code: 'technique.cut-sheet', values: { line: code, shapes: count, inner, widthMm, heightMm } }],
    };
  });
}

/** The piece of its line a run lies along. */
function pieceAlong(part: MaskedPart, { line, from, to }: Pick<Run, 'line' | 'from' | 'to'>): Path {
  const pieces = (part.lines.find(({ id }) => id === line) as ResolvedLine).pieces;
  return theFirst(
    pieces.flatMap((whole) => {
      const piece = pieceOf(whole, from, to);
      return piece ? [piece] : [];
    }),
  );
}

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
  const choice = chosenTape(part, line, span, wish, means);
  const [from, to] = [piece[0]!.at, piece.at(-1)!.at];
  const place = {
    part: part.id,
    line: line.id,
    lineCode: line.code,
    from,
    to,
    side: span.side,
    sideSeen: sideOf(part, piece, span.side),
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

/**
 * The tape of a run: the one a person has chosen for it, for its line, or for all lines, the nearest to it first. One chosen for a run or a
 * line is taken even where it is doubtful, as long as it has room; one chosen for all where it does the line.
 */
function chosenTape(part: MaskedPart, line: ResolvedLine, span: EdgeSpan, wish: TapeWish, means: MaskingMeans): TapeChoice | null {
  const own = (means.pins ?? []).filter(
    (pin) =>
      (pin.part === undefined || pin.part === part.id) &&
      (pin.line === undefined || pin.line === line.owner) &&
      (pin.side === undefined || pin.side === span.side) &&
      (pin.line !== undefined || wish.crisp),
  );
  const nearness = ({ line: of, side }: TapePinned) => (of === undefined ? 0 : side === undefined ? 1 : 2);
  for (const pin of [...own].sort((a, b) => nearness(b) - nearness(a))) {
    const choice = chooseTape(
      means.tapes.filter(({ code }) => code === pin.tape),
      wish,
    );
    if (choice && (pin.line !== undefined || (follows(choice.fit) && choice.hold !== 'no'))) return { ...choice, pinned: true };
    if (pin.line !== undefined) {
      const instead = chooseTape(means.tapes, wish);
      return instead && { ...instead, doubts: [...instead.doubts, { code: 'doubt.not-chosen', values: { tape: pin.tape } }] };
    }
  }
  return chooseTape(means.tapes, wish);
}

/** Code of the line of the list a stroke belongs to. */
const lineCode = ({ lines }: MaskedPart, { owner }: ResolvedLine): string => codeOfLine([...new Set(lines.map((one) => one.owner))].indexOf(owner));

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

function laidOf(choice: TapeChoice, piece: Path, line: ResolvedLine, strip: number | null, { skin }: MaskedPart, wish: TapeWish, soft: boolean): Laid {
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
      folds: skin.folds,
      oneTapeWide: strip !== null,
      soft,
      closed: meetsItself(piece, skin),
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

/** As a person sees it: within or outside a closed line, by the ends of a round part, else on the drawing. */
function sideOf({ round }: MaskedPart, piece: Path, side: LineSide): SideSeen {
  if (isClosed(piece)) return ringArea(piece) > 0 === (side === 'left') ? 'inside-of' : 'outside-of';
  return round ? sideOnRound(piece, side) : sideSeen(piece, side);
}

/** Above or below a line that runs across, left or right of one that runs up. */
function sideSeen(piece: Path, side: LineSide): SideSeen {
  const first = piece[0]!;
  const last = piece.at(-1)!;
  const dx = last.x - first.x;
  const dy = last.y - first.y;
  const sign = side === 'left' ? 1 : -1;
  if (Math.abs(dx) >= Math.abs(dy)) return dx * sign > 0 ? 'above' : 'below';
  return dy * sign > 0 ? 'left-of' : 'right-of';
}

/** Towards an end for a line that runs round it, upper or lower for one that runs along it: its top is in the middle of the sheet. */
function sideOnRound(piece: Path, side: LineSide): SideSeen {
  const seen = sideSeen(piece, side);
  if (seen === 'left-of') return 'near-end-of';
  if (seen === 'right-of') return 'far-end-of';
  const middle = piece.reduce((sum, { y }) => sum + y, 0) / piece.length;
  const upwards = middle < 0 ? 'above' : 'below';
  return seen === upwards ? 'upper-side-of' : 'lower-side-of';
}
