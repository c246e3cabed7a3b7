import type { Arrangement } from '../areas';
import { pieceOf, type Path, type ResolvedLine } from '../lines';
import type { BendSample, Fit, LineSide, Tape } from '../tape';
import { byText, isModelScale, RULE_OF_THUMB, TOLERANCE } from '../units';
import { chooseTape } from './choose';
import { edgeSpans, stripWidth, type EdgeSpan } from './edge-runs';
import { techniqueFor } from './technique';

/** One length of one tape at one place. */
export interface Run {
  /** Code on the drawing and in the lay list: R1, R2 … within the stage. */
  readonly code: string;
  readonly part: string;
  readonly line: string;
  readonly lineCode: string;
  readonly from: number;
  readonly to: number;
  /** Side of the line the tape lies on, as seen along it, and as a person says it. */
  readonly side: LineSide;
  readonly sideWords: string;
  readonly crisp: boolean;
  /** Null where the shelf has no tape for it. */
  readonly tape: string | null;
  readonly tapeWidthMm: number;
  readonly verdict: Fit['verdict'] | 'none';
  /** Mean stretch to lay it in, as a fraction. */
  readonly stretch: number;
  readonly worstAt: number | null;
  readonly worstRadiusMm: number | null;
  /** Length of the edge, and of tape off the roll with both tails; one piece. */
  readonly edgeMm: number;
  readonly tapeMm: number;
  /** How many alike. */
  readonly count: number;
  /** True where this tape alone covers a strip. */
  readonly coversStrip: boolean;
  readonly how: string;
  readonly why: string;
  readonly doubt: string | null;
}

/** One part as the runs see it. */
export interface MaskedPart {
  readonly id: string;
  readonly count: number;
  readonly lines: readonly ResolvedLine[];
  readonly arrangement: Arrangement;
  /** Which areas are open in this stage, and which keep the colour they have from now on. */
  readonly open: readonly boolean[];
  readonly stays: readonly boolean[];
  /** Which covered areas are covered anew in this stage; left out: all. */
  readonly fresh?: readonly boolean[];
  /** Whether an open area fades out towards a covered one. */
  readonly soft?: (open: number, closed: number) => boolean;
}

/** What there is to mask with. */
export interface MaskingMeans {
  readonly tapes: readonly Tape[];
  readonly scale: number;
  readonly surfaceC: number;
  readonly airC: number;
  /** How long tape of this stage stays, minutes. */
  readonly staysMin: number;
}

/**
 * Lays out the runs of one stage over all its parts, in laying order: crisp edges first, from the longest outward.
 * @returns runs with their tape, length and technique; a run without a tape tells why
 */
export function stageRuns(parts: readonly MaskedPart[], means: MaskingMeans): Run[] {
  const drafts = parts.flatMap((part) => partRuns(part, means));
  drafts.sort(
    (a, b) => Number(b.crisp) - Number(a.crisp) || b.edgeMm - a.edgeMm || byText(a.part, b.part) || byText(a.lineCode, b.lineCode) || a.from - b.from,
  );
  return drafts.map((run, index) => ({ ...run, code: `R${index + 1}` }));
}

function partRuns(part: MaskedPart, means: MaskingMeans): Run[] {
  const covered = new Set<number>();
  return edgeSpans(part.arrangement.borders, part.open, part.stays, part.fresh, part.soft).flatMap((span) => {
    const strip = span.closed.length === 1 ? oneTapeStrip(part, span.closed[0], means.tapes) : null;
    if (strip !== null) {
      if (covered.has(span.closed[0])) return [];
      covered.add(span.closed[0]);
    }
    return runsOnSpan(part, span, strip, means);
  });
}

/** Width of a covered strip that one crisp tape on the shelf covers; null for anything else. */
export function oneTapeStrip({ arrangement }: Pick<MaskedPart, 'arrangement'>, area: number, tapes: readonly Tape[]): number | null {
  const width = stripWidth(arrangement.areas[area], area, arrangement.borders);
  if (width === null) return null;
  const tape = tapes.find(({ edge, widthMm }) => edge === 'crisp' && Math.abs(widthMm - width) <= TOLERANCE.tapeWidth);
  return tape ? tape.widthMm : null;
}

function runsOnSpan(part: MaskedPart, span: EdgeSpan, strip: number | null, means: MaskingMeans): Run[] {
  const line = part.lines.find(({ id }) => id === span.line) as ResolvedLine;
  return line.pieces.flatMap((whole) => {
    const piece = pieceOf(whole, span.from, span.to);
    return piece ? [runOf(part, line, piece, span, strip, means)] : [];
  });
}

function runOf(part: MaskedPart, line: ResolvedLine, piece: Path, span: EdgeSpan, strip: number | null, means: MaskingMeans): Run {
  const model = isModelScale(means.scale);
  const samples: BendSample[] = piece.map(({ at, curvature }) => ({ at, curvature }));
  const choice = chooseTape(means.tapes, {
    samples,
    side: span.side,
    crisp: span.crisp || strip !== null,
    exactWidthMm: strip,
    roomMm: roomBehind(part, span),
    surfaceC: means.surfaceC,
    airC: means.airC,
    staysMin: means.staysMin,
    model,
  });
  const from = piece[0].at;
  const to = piece[piece.length - 1].at;
  const edgeMm = to - from;
  const tail = model ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full;
  const technique = choice ? techniqueFor(choice.fit, strip !== null) : { how: 'Mask by hand.', why: 'No tape on the shelf fits this edge.' };
  return {
    code: '',
    part: part.id,
    line: line.id,
    lineCode: line.code,
    from,
    to,
    side: span.side,
    sideWords: sideWords(piece, span.side),
    crisp: span.crisp,
    tape: choice?.tape.code ?? null,
    tapeWidthMm: choice?.tape.widthMm ?? 0,
    verdict: choice?.fit.verdict ?? 'none',
    stretch: choice?.fit.stretch ?? 0,
    worstAt: choice?.fit.worstAt ?? null,
    worstRadiusMm: choice?.fit.worstRadiusMm ?? null,
    edgeMm,
    tapeMm: edgeMm / (1 + (choice?.fit.stretch ?? 0)) + 2 * tail,
    count: part.count,
    coversStrip: strip !== null,
    ...technique,
    doubt: choice
      ? choice.doubt
      : `no tape on the shelf is ${strip === null ? `narrower than the ${roomBehind(part, span).toFixed(1)} mm there is` : 'as wide as this strip'}`,
  };
}

/** Room for a tape on the covered side: the width of a strip, else about that of the narrowest area behind it. */
function roomBehind({ arrangement }: MaskedPart, { closed }: EdgeSpan): number {
  return Math.min(
    ...closed.map((index) => {
      const area = arrangement.areas[index];
      return stripWidth(area, index, arrangement.borders) ?? (2 * area.sizeMm2) / area.perimeterMm;
    }),
  );
}

/** The side in words: above or below a line that runs across, left or right of one that runs up. */
function sideWords(piece: Path, side: LineSide): string {
  const first = piece[0];
  const last = piece[piece.length - 1];
  const dx = last.x - first.x;
  const dy = last.y - first.y;
  const sign = side === 'left' ? 1 : -1;
  if (Math.abs(dx) >= Math.abs(dy)) return dx * sign > 0 ? 'above' : 'below';
  return dy * sign > 0 ? 'left of' : 'right of';
}
