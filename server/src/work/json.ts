import type { Checked } from '@lintrel/core';

/** Maximum depth of arrays and objects in each other, and maximum number of values: nothing that is kept comes near. */
const JSON_LIMITS = { depth: 60, values: 2_000_000 } as const;

const [QUOTE, BACKSLASH, COMMA, OPEN_ARRAY, CLOSE_ARRAY, OPEN_OBJECT, CLOSE_OBJECT] = [
  0x22, 0x5c, 0x2c, 0x5b, 0x5d, 0x7b, 0x7d,
];

/** What was read; its faults; or that it is no JSON at all. */
export type JsonRead = Checked<unknown> | { readonly ok: false; readonly notJson: true };

/**
 * Reads JSON: an object or an array. Depth and number of values are counted before it is parsed, since parsing what is nested without
 * limit takes long and fills the stack of whatever walks through it.
 */
export function jsonFrom(bytes: Uint8Array): JsonRead {
  const tooMuch = shapeFault(bytes);
  if (tooMuch) return { ok: false, faults: [{ path: '', ...tooMuch }] };
  const text = new TextDecoder().decode(bytes);
  if (!/^\s*[[{]/.test(text.slice(0, 1000))) return { ok: false, notJson: true };
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch {
    return { ok: false, notJson: true };
  }
}

/** Which limit a JSON text is over; null: none. */
function shapeFault(bytes: Uint8Array) {
  let [depth, values] = [0, 0];
  for (let index = 0; index < bytes.length; index++) {
    const byte = bytes[index];
    if (byte === QUOTE) index = endOfString(bytes, index);
    else if (byte === CLOSE_ARRAY || byte === CLOSE_OBJECT) depth--;
    else if (byte === COMMA) values++;
    else if (byte === OPEN_ARRAY || byte === OPEN_OBJECT) {
      values++;
      depth++;
    }
    if (depth > JSON_LIMITS.depth) return { code: 'server.too-deep', values: { max: JSON_LIMITS.depth } } as const;
    if (values > JSON_LIMITS.values)
      return { code: 'server.too-many-values', values: { max: JSON_LIMITS.values } } as const;
  }
  return null;
}

/** Index of the quote that ends the string begun at an index; past the end where none does. */
function endOfString(bytes: Uint8Array, start: number): number {
  for (let index = start + 1; index < bytes.length; index++) {
    if (bytes[index] === BACKSLASH) index++;
    else if (bytes[index] === QUOTE) return index;
  }
  return bytes.length;
}
