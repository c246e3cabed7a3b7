import type { Place, Point } from '../curves';
import type { Design } from '../job';
import { type LineId, type PartId, RULE_OF_THUMB } from '../kit';
import { pointOnPiece, type SetOut, type Station, stationsOf } from '../lines';
import { type Datum, measurementOfPoint, measureOnRevolution } from '../surface';
import { newPartCache, type PartCache, setOutCached } from './part-cache';

/** Which line is to be marked, and how closely. */
export interface StationRequest {
  readonly part: PartId;
  /** A stroke of a line, as the plan names it. */
  readonly line: LineId;
  /** Datum heights are measured from; null takes the part's first. */
  readonly datum: string | null;
  readonly stepMm: number;
  readonly toleranceMm: number;
}

/** What a column holds: lengths in mm, but for degrees. */
export type StationColumn =
  'along' | 'along-line' | 'along-datum' | 'height-skin' | 'height-plumb' | 'degrees' | 'girth' | 'height-opposite';

/** A figure, or why there is none; null: nothing is there to be measured. */
export type StationCell = number | 'no-line' | 'not-reached' | null;

/** A line as marks, figures alone. */
export interface StationTable {
  readonly line: { readonly code: string; readonly name: string };
  /** Name of the datum heights are measured from. */
  readonly datum: string;
  readonly toleranceMm: number;
  /** Name of the part that is this one's mirror image; null where there is none. */
  readonly opposite: string | null;
  readonly columns: readonly StationColumn[];
  /** `extra`: a mark in between, so that straight chords do. */
  readonly rows: readonly { readonly extra: boolean; readonly cells: readonly StationCell[] }[];
  /** Marks as they lie on the sheet. */
  readonly marks: readonly { readonly place: Place; readonly extra: boolean }[];
}

/**
 * Marks along a line: heights above a datum at even steps, with as many more as straight chords between them need.
 * Heights are given along the skin and plumb, in space; round parts add the angle and the girth from the top; a part whose
 * mirror image is among the parts gets a column for it.
 * @returns null where the line is not on its part
 */
export function stationTable(
  design: Design,
  wish: StationRequest,
  store: PartCache = newPartCache(),
): StationTable | null {
  const all = setOutCached(
    design.parts,
    design.parts.map(({ id }) => id),
    store,
  );
  const setOut = all.get(wish.part);
  const line = setOut?.lines.find(({ id }) => id === wish.line);
  if (!setOut || !line || line.pieces.length === 0) return null;
  const datum = setOut.board.shape.datums.find(({ id }) => id === wish.datum) ?? setOut.board.shape.datums[0]!;
  const measure = measurer(setOut, datum);
  const stations = line.pieces.map((piece) => stationsOf(piece, measure, wish.stepMm, wish.toleranceMm));
  const by = stations.every((station) => station.by === 'datum') ? 'datum' : 'line';
  const rows = stations.flatMap((station) => station.rows);
  const round = setOut.board.measured.axle !== null;
  const opposite = oppositeOf(design, wish.part, all);
  const base = plumb(setOut, onSheetOf(setOut, datum));
  return {
    line: { code: line.code, name: setOut.board.shape.lines.find(({ id }) => id === line.owner)?.name ?? '' },
    datum: datum.name,
    toleranceMm: wish.toleranceMm,
    opposite: opposite?.name ?? null,
    columns: [
      by === 'datum' ? 'along' : 'along-line',
      ...(by === 'datum' ? [] : ['along-datum' as const]),
      'height-skin',
      'height-plumb',
      ...(round ? (['degrees', 'girth'] as const) : []),
      ...(opposite ? ['height-opposite' as const] : []),
    ],
    rows: rows.map((row) => ({
      extra: row.extra,
      cells: [
        by === 'datum' ? row.along : row.at,
        ...(by === 'datum' ? [] : [row.along]),
        row.above,
        plumb(setOut, row.place) - base,
        ...(round ? roundCells(setOut, row) : []),
        ...(opposite ? [opposite.heightAt(row.along, row.above, wish.line, datum.id)] : []),
      ],
    })),
    marks: rows.map(({ place: { x, y }, extra }) => ({ place: [x, y] as const, extra })),
  };
}

/** The step a table opens with: about a dozen marks, at a round number. */
export function defaultStationStep(lengthMm: number): number {
  const wanted = lengthMm / 12;
  const power = 10 ** Math.floor(Math.log10(Math.max(1, wanted)));
  return [1, 2, 5, 10].map((factor) => factor * power).find((step) => step >= wanted) ?? 10 * power;
}

/** Default tolerance of chords between marks, mm. */
export const DEFAULT_TOLERANCE_MM = RULE_OF_THUMB.stationToleranceMm;

const measurer =
  ({ board }: SetOut, datum: Datum) =>
  (place: Point) =>
    measurementOfPoint(datum, board.reflect(place));

const onSheetOf = ({ board }: SetOut, { at: [x, y] }: Datum): Point => board.reflect({ x, y });
const plumb = ({ board }: SetOut, place: Point): number => pointOnPiece(board, place).at.z;

function roundCells({ board }: SetOut, { place }: Station): StationCell[] {
  const { axle } = board.measured;
  const measured = axle && measureOnRevolution(axle, board.reflect(place));
  return measured ? [measured.degrees, measured.girthMm] : [null, null];
}

/** The part that is this one's mirror image, or that it is the mirror image of. */
function oppositeOf(design: Design, partId: PartId, all: ReadonlyMap<string, SetOut>) {
  const part = design.parts.find(({ id }) => id === partId);
  const other = design.parts.find(({ id, opposite }) => opposite?.of === partId || part?.opposite?.of === id);
  const setOut = other && all.get(other.id);
  if (!other || !setOut) return null;
  return {
    name: other.name,
    heightAt: (along: number, above: number, lineId: LineId, datumId: string): StationCell => {
      const line = setOut.lines.find(({ id }) => id === lineId);
      const datum = setOut.board.shape.datums.find(({ id }) => id === datumId);
      if (!line || !datum) return 'no-line';
      const measure = measurer(setOut, datum);
      const heights = line.pieces.flatMap((piece) => {
        const places = piece.map(measure);
        return places.slice(1).flatMap((b, index) => {
          const a = places[index]!;
          if ((a.along - along) * (b.along - along) > 0) return [];
          const share = a.along === b.along ? 0 : (along - a.along) / (b.along - a.along);
          return [a.above + share * (b.above - a.above)];
        });
      });
      const nearest = heights.sort((p, q) => Math.abs(p - above) - Math.abs(q - above))[0];
      return nearest ?? 'not-reached';
    },
  };
}
