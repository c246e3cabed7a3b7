import type { Finish } from '../finish';
import type { Design, Shelf } from '../job';
import { pieceOf, type ResolvedLine } from '../lines';
import type { BendClass, OrderArea, OrderBorder, OrderProblem } from '../order';
import { oneTapeStrip } from '../runs';
import { isModelScale, RULE_OF_THUMB } from '../units';
import type { PartWork } from './part-work';

/** Puts the areas of all parts into one problem, in the order of the parts. */
export function orderProblem(works: readonly PartWork[], design: Design, shelf: Shelf, finishes: ReadonlyMap<string, Finish>): OrderProblem {
  const areas: OrderArea[] = [];
  const borders: OrderBorder[] = [];
  for (const work of works) {
    const first = areas.length;
    areas.push(
      ...work.arrangement.areas.map((area, index) => ({
        id: `${work.part.id}/${area.code}`,
        sizeM2: (area.sizeMm2 / 1e6) * work.part.count,
        present: work.part.present.colour,
        finish: work.finishes[index] ?? null,
        oneTapeWide: oneTapeStrip(work, index, shelf.tapes) !== null,
      })),
    );
    borders.push(
      ...work.arrangement.borders.map(({ line, from, to, left, right }) => ({
        a: first + left,
        b: first + right,
        lengthM: ((to - from) / 1000) * work.part.count,
        pieces: work.part.count,
        points: measuredPoints(work, line) * ((to - from) / lengthOf(work, line)) * work.part.count,
        bend: bendClass(work.lines.find(({ id }) => id === line) as ResolvedLine, from, to),
      })),
    );
  }
  return { areas, borders, finishes, air: design.climate, model: isModelScale(design.scale), school: design.choices.school };
}

function bendClass(line: ResolvedLine, from: number, to: number): BendClass {
  const worst = Math.max(...line.pieces.flatMap((piece) => pieceOf(piece, from, to) ?? []).map(({ curvature }) => Math.abs(curvature)));
  const radius = worst > 0 ? 1 / worst : Infinity;
  if (radius > RULE_OF_THUMB.straightAboveMm) return 'straight';
  return radius < RULE_OF_THUMB.tightBelowMm ? 'tight' : 'gentle';
}

const lengthOf = ({ lines }: PartWork, id: string): number =>
  lines.find((line) => line.id === id)?.pieces.reduce((sum, piece) => sum + piece[piece.length - 1].at - piece[0].at, 0) || 1;

/** Points a person measures to set the line out; one made from another is set off its neighbour at a few places. */
function measuredPoints({ setOut, lines }: PartWork, id: string): number {
  const owner = lines.find((line) => line.id === id)?.owner;
  const line = setOut.board.shape.lines.find((candidate) => candidate.id === owner);
  switch (line?.kind) {
    case 'sweep':
      return line.points.length;
    case 'straight':
    case 'bands':
    case 'rays':
      return 2;
    case 'imported':
    case 'text':
      return 1;
    default:
      return 3;
  }
}
