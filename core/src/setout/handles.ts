import type { Place } from '../curves';
import type { Design } from '../job';
import type { LineId, PartId } from '../kit';
import type { SetOut, TrimLine } from '../lines';
import { type Measured, measurementOfPoint, pointOfMeasurement } from '../surface';
import { newPartCache, type PartCache, setOutOnePart } from './part-cache';

/** A measured point of a line that can be taken hold of, where it lies on the sheet as drawn. */
export interface Handle {
  /** Path to the measurement within the line: `from`, `points.2`, `centre`. */
  readonly key: string;
  readonly place: Place;
}

/** The measurements of a line that are places. */
function measuresOf(line: TrimLine): [string, Measured][] {
  switch (line.kind) {
    case 'straight':
    case 'wave':
      return [
        ['from', line.from],
        ['to', line.to],
      ];
    case 'arc':
      return [
        ['from', line.from],
        ['through', line.through],
        ...(line.also ?? []).map((measured, index): [string, Measured] => [`also.${index}`, measured]),
        ['to', line.to],
      ];
    case 'radius':
    case 'bands':
    case 'rays':
      return [['from', line.from]];
    case 'sweep':
      return line.points.map((point, index) => [`points.${index}`, point]);
    case 'ellipse':
    case 'frame':
      return [['centre', line.centre]];
    case 'text':
      return [['at', line.at]];
    default:
      return [];
  }
}

const datumOf = (line: TrimLine, { board }: SetOut) =>
  'datum' in line ? board.shape.datums.find(({ id }) => id === line.datum) : undefined;

/** Handles of a line on its part; empty for a line that is not measured, or of a part that follows another. */
export function handlesOf(
  parts: Design['parts'],
  partId: PartId,
  lineId: LineId,
  store: PartCache = newPartCache(),
): Handle[] {
  const setOut = setOutOnePart(parts, partId, store);
  const line = parts.find(({ id }) => id === partId)?.lines.find(({ id }) => id === lineId);
  const datum = setOut && line && datumOf(line, setOut);
  if (!setOut || !line || !datum) return [];
  return measuresOf(line).map(([key, measured]) => {
    const { x, y } = setOut.board.reflect(pointOfMeasurement(datum, measured));
    return { key, place: [x, y] };
  });
}

/** The line with one of its handles moved to a place on the sheet as drawn; measurements to a hundredth of a millimetre. */
export function withHandle<L extends TrimLine>(
  line: L,
  key: string,
  place: { readonly x: number; readonly y: number },
  setOut: SetOut,
): L {
  const datum = datumOf(line, setOut);
  if (!datum) return line;
  const { along, above } = measurementOfPoint(datum, setOut.board.reflect(place));
  const measured = { along: Math.round(along * 100) / 100, above: Math.round(above * 100) / 100 };
  const [name = '', index] = key.split('.');
  const current = (line as Record<string, unknown>)[name];
  const value =
    index === undefined
      ? measured
      : (current as readonly Measured[]).map((other, pointIndex) => (pointIndex === Number(index) ? measured : other));
  return { ...line, [name]: value };
}
