import type { OpeningTapeItem, PlugItem } from '../contract';
import { isModelScale, messageWithoutValues } from '../kit';
import { closingTapeMin, closingTapeOffMin, closingTapes, filmBond, type OpeningMessage } from '../masking';
import { maskingMeans, type StageSource } from '../problem';
import { chooseTape, preparationTechniques, type TapeChoice, type TapeWish } from '../runs';
import type { Sequence } from '../stage';

/**
 * The tapes that close an opening, in order of application, with the closing itself between those under it and those
 * over it.
 * They are chosen like tape along the surroundings: below is the finish of the part, and they stay until the
 * openings are uncovered.
 * @param closing the closing method, with the minutes of all of it
 */
export function closingItems(
  closing: PlugItem,
  sequence: Sequence,
  index: number,
  source: StageSource,
): (PlugItem | OpeningTapeItem)[] {
  const tapes = tapesOf(closing, sequence, index, source);
  const pullMin = closing.pullMin - tapes.reduce((sum, mouthItem) => sum + mouthItem.pullMin, 0);
  const [under, over] = [tapes.filter(({ kind }) => kind !== 'cap'), tapes.filter(({ kind }) => kind === 'cap')];
  const layMin = closing.layMin - tapes.reduce((sum, mouthItem) => sum + mouthItem.layMin, 0);
  const items = [...under, { ...closing, layMin: Math.max(0, layMin), pullMin: Math.max(0, pullMin) }, ...over];
  return items.map((item, place) => ({
    ...item,
    after: items.slice(Math.max(0, place - 1), place).map(({ id }) => id),
  }));
}

function tapesOf(
  { id, part, opening, count, closing, layMin, ...common }: PlugItem,
  sequence: Sequence,
  index: number,
  source: StageSource,
): OpeningTapeItem[] {
  const tapes = closingTapes(closing);
  if (tapes.length === 0) return [];
  const choice = mouthTape(part, closing, sequence, index, common.until.stage - 1, source);
  const known = layMin / tapes.length;
  return tapes.map((tape): OpeningTapeItem => ({
    ...common,
    id: `${id}/${tape.use}` as OpeningTapeItem['id'],
    kind: tape.use,
    part,
    opening,
    closes: id,
    count,
    pieces: tape.pieces,
    lengthMm: tape.lengthMm,
    material: choice?.tape.code ?? null,
    tapeKind: choice?.tape.kind ?? null,
    widthMm: choice?.tape.widthMm ?? 0,
    hold: choice?.hold ?? null,
    techniques: choice ? preparationTechniques(choice) : [messageWithoutValues('technique.by-hand')],
    doubts: choice?.doubts ?? [messageWithoutValues('doubt.none-for-rim')],
    // Small pieces round a post are reckoned by the post, not by their length.
    layMin: Math.min(known, closingTapeMin(tape, source.problem.model) * count),
    pullMin: closingTapeOffMin(tape) * count,
  }));
}

function mouthTape(
  part: string,
  closing: OpeningMessage,
  { stages }: Sequence,
  index: number,
  offIndex: number,
  source: StageSource,
): TapeChoice | null {
  const { works, problem, starts } = source;
  const means = maskingMeans(source);
  const { presentSystem, presentAgeMin } =
    problem.areas[starts.areas[works.findIndex((work) => work.part.id === part)]!]!;
  const laidAt = index === 0 ? 0 : stages[index - 1]!.after.clock;
  const off = stages[offIndex]!.after.clock;
  const bondN25 = filmBond(
    { system: presentSystem, finish: null, ageMin: presentAgeMin + off, onBarePlastic: false },
    problem.air,
  );
  const wish: TapeWish = {
    ...shapeOf(closing),
    exactWidthMm: null,
    surfaceC: means.surfaceC,
    airC: means.airC,
    staysMin: off - laidAt,
    bondN25,
    model: isModelScale(means.scale),
  };
  return chooseTape(means.tapes, wish);
}

/** What a tape of an opening is led round: the corners of a window, whose edge it makes, else straight sides. */
function shapeOf(
  closing: OpeningMessage,
): Pick<TapeWish, 'samples' | 'side' | 'crisp' | 'roomMm' | 'rim' | 'leastMm' | 'narrowest'> {
  if (closing.code === 'opening.pane' || closing.code === 'opening.tape' || closing.code === 'opening.inside') {
    const { widthMm, heightMm, strips = 1 } = closing.values;
    const leastMm = strips === 1 ? Math.min(widthMm, heightMm) : undefined;
    // Gentle before crisp: it lies on what is kept.
    return { samples: STRAIGHT, side: 'right', crisp: false, roomMm: Infinity, narrowest: true, leastMm };
  }
  if (closing.code !== 'opening.film')
    // Pieces round a post are narrow.
    return {
      samples: STRAIGHT,
      side: 'right',
      crisp: false,
      roomMm: closing.code === 'opening.sleeve' ? NARROW_MM : Infinity,
      rim: true,
    };
  const { cornerMm = 0, edgeMm = 0 } = closing.values;
  const curvature = cornerMm > 0 ? 1 / cornerMm : 0;
  const samples = [0, 1].map((at) => ({ at, curvature }));
  // It lies inside, on the inner side of every corner; film ends on its middle.
  return { samples, side: 'left', crisp: true, roomMm: Infinity, leastMm: edgeMm, narrowest: true };
}

/** Tape that gives at every corner is led round a mouth without stretching it. */
const STRAIGHT = [{ at: 0, curvature: 0 }] as const;
/** Pieces folded round the foot of a post are no wider. Rule of thumb */
const NARROW_MM = 12;
