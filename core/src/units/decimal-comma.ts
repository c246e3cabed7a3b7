import { readFailed, type Reading, readOk } from '../kit';

/**
 * Reads a decimal comma as a point: the keypads of some phones have no point. A comma before exactly three digits
 * may also separate thousands: it is refused with both readings, as is more than one comma.
 * @param text as typed, including units
 * @returns the text with a point
 */
export function decimalPointOf(text: string): Reading<string> {
  const commas = [...text.matchAll(/(\d*),(\d+)/g)];
  const [first] = commas;
  if (!first) return readOk(text);
  const [written, whole = '', decimals = ''] = first;
  const after = text[first.index + written.length] ?? '';
  if (commas.length > 1 || after === '.' || text[first.index - 1] === '.')
    return readFailed({ code: 'typed.commas', values: { text: text.trim() } });
  // ",500" and "0,500" can only be decimals.
  if (decimals.length === 3 && Number(whole) > 0 && !whole.startsWith('0'))
    return readFailed({
      code: 'typed.comma',
      values: { text: text.trim(), decimal: `${whole}.${decimals}`, thousands: `${whole}${decimals}` },
    });
  return readOk(text.replace(written, `${whole}.${decimals}`));
}
