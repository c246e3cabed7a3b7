import { pathsWithin } from '../curves';
import type { PullTiming } from '../finish';
import type { LayersPin, PullPin } from '../job';
import { isModelScale, minOf } from '../kit';
import type { ResolvedLine } from '../lines';
import type { KeptSide } from '../masking';
import { coveringTapeMm, mostSpecificFirst, RUN_RULES, widestAlong } from '../runs';
import type { PartWork } from '../setout';
import type { LineSide, Tape } from '../tape';
import { pullPinOf } from './pull-timings';

/** What decides what lies behind the line tapes of a part. */
export interface BuildUpChoices {
  readonly tapes: readonly Tape[];
  readonly scale: number;
  /** Pull timings of what is put on the part. */
  readonly timings: readonly PullTiming[];
  /** What a person has chosen for lines: pull timing, and which of line tape and backing lies first. */
  readonly pulls: readonly PullPin[];
  readonly layers: readonly LayersPin[];
}

/** The build-up of the edges of a part. */
export interface PartBuildUp {
  /** Of each of its borders: of its left area while that is covered, and of its right one. */
  readonly sides: readonly (readonly [left: KeptSide, right: KeptSide])[];
  /** Of each of its areas: how wide the tapes along its lines are that cover it alone, mm; null where none do. */
  readonly narrow: readonly (number | null)[];
}

const known = new WeakMap<PartWork['lines'], { readonly key: string; readonly of: PartBuildUp }>();

/**
 * What lies behind the line tapes of a part. A wider tape carries the cover wherever the line tape is pulled before
 * the cover comes off, or is too narrow to carry it. Narrow areas need no cover, and letters are cut from film.
 */
export function partBuildUp(work: PartWork, choices: BuildUpChoices): PartBuildUp {
  const key = JSON.stringify({ ...choices, tapes: choices.tapes.map(({ code }) => code), id: work.part.id });
  const cached = known.get(work.lines);
  if (cached?.key === key) return cached.of;
  const of = buildUp(work, choices);
  known.set(work.lines, { key, of });
  return of;
}

function buildUp(work: PartWork, choices: BuildUpChoices): PartBuildUp {
  const { arrangement, lines, setOut } = work;
  const part = { arrangement, lines, skin: setOut.board.drawn };
  const narrow = arrangement.areas.map((_, area) => coveringTapeMm(part, area, choices.tapes, choices.scale));
  const sides = arrangement.borders.map((border) => {
    const line = lines.find(({ id }) => id === border.line) as ResolvedLine;
    const lettering = setOut.board.shape.lines.find(({ id }) => id === line.owner)?.kind === 'text';
    const side = (name: LineSide): KeptSide => (lettering ? ALONE : keptSide(work, line, border, name, choices));
    return [side('left'), side('right')] as const;
  });
  return { sides, narrow };
}

const ALONE: KeptSide = { backed: false, over: null };

function keptSide(
  { part }: PartWork,
  line: ResolvedLine,
  { from, to }: { readonly from: number; readonly to: number },
  side: LineSide,
  { tapes, scale, timings, pulls, layers }: BuildUpChoices,
): KeptSide {
  const model = isModelScale(scale);
  const pieces = pathsWithin(line.pieces, from, to);
  const widthMm = minOf(pieces.map((piece) => widestAlong(tapes, piece, side)));
  const pin = pullPinOf(pulls, part.id, line);
  const early = (pin ? [pin.school] : timings).some((timing) => timing !== 'dry');
  const backed = early || widthMm < (model ? RUN_RULES.carries.model : RUN_RULES.carries.full);
  const chosen = mostSpecificFirst({ part: part.id, line: line.owner, side }, layers)[0];
  const sealed = line.crosses.some((met) => met.kind === 'texture' && met.to > from && met.from < to);
  const first = sealed || (!model && widthMm < RUN_RULES.thinLine);
  return { backed, over: chosen ? chosen.first === 'line' : first ? true : null };
}
