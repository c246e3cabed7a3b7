import type { AreaId, LineId } from '../kit';
import type { PartPlan } from './types';

/** The areas that the letters of one line make: they are given a finish together. */
export interface LetterAreas {
  readonly owner: LineId;
  readonly name: string;
  /** Codes of the areas within the strokes, and of those that lie within a letter but are not of it. */
  readonly strokes: readonly AreaId[];
  readonly inner: readonly AreaId[];
}

/**
 * Lettering on a part: of each line of letters the areas that lie beside its strokes alone.
 * @returns empty where there is none; letters that are cut by another line are no part of it
 */
export function letteringOf({ lines, areas, borders }: Pick<PartPlan, 'lines' | 'areas' | 'borders'>): LetterAreas[] {
  const owners = [
    ...new Map(lines.flatMap(({ owner, kind, name }) => (kind === 'text' ? [[owner, name] as const] : []))).entries(),
  ];
  const ownerOf = new Map(lines.map(({ id, owner }) => [id, owner]));
  return owners.flatMap(([owner, name]) => {
    const beside = (code: string) => borders.filter(({ left, right }) => left === code || right === code);
    const letterAreas = areas.filter(({ code }) => {
      const round = beside(code);
      return round.length > 0 && round.every(({ line }) => ownerOf.get(line) === owner);
    });
    const codes = new Set(letterAreas.map(({ code }) => code));
    // The surroundings of the letters lie beside their strokes as well if nothing else is on the part: they are the
    // largest area.
    const largest =
      letterAreas.length > 1 ? letterAreas.reduce((most, area) => (area.sizeM2 > most.sizeM2 ? area : most)) : null;
    if (largest && codes.size === areas.length) codes.delete(largest.code);
    const isStroke = (code: string) => beside(code).some(({ left, right }) => !codes.has(left === code ? right : left));
    const strokes = letterAreas.flatMap(({ code }) => (codes.has(code) && isStroke(code) ? [code] : []));
    const inner = letterAreas.flatMap(({ code }) => (codes.has(code) && !isStroke(code) ? [code] : []));
    return strokes.length === 0 ? [] : [{ owner, name, strokes, inner }];
  });
}
