import { messageWithoutValues, readFailed, type Reading, readOk } from '../kit';
import { decimalPointOf } from './decimal-comma';

/** Millimetres in one inch, exact by definition (1959). */
export const MM_PER_INCH = 25.4;

/** How a typed length is to be understood. */
export interface LengthContext {
  /** Unit of a bare number. A bare fraction such as 7/16 is always inches. */
  readonly bare?: 'mm' | 'in';
  /** Scale of the job: 48 for 1:48. Only then is "real" understood. */
  readonly scale?: number;
}

const MM_PER_UNIT: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  "'": 12 * MM_PER_INCH,
  '′': 12 * MM_PER_INCH,
};

const NUMBER = /^(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i;
const FRACTION = /^(\d+)\/(\d+)$/;
const UNIT = /^(mm|cm|m|inches|inch|in|ft|"|″|'|′)$/i;

/**
 * Parses a typed length.
 * @param text for example `18`, `18mm`, `1.2 m`, `3 1/2"`, `7/16`, `1' 6"`, at scale also `600 mm real`
 * @param context unit of a bare number (default mm) and the job's scale
 * @returns millimetres (signed, finite), or what was and was not understood; nothing is guessed
 */
export function readLength(text: string, context: LengthContext = {}): Reading<number> {
  const trimmed = text.trim();
  if (trimmed === '') return readFailed(messageWithoutValues('typed.length-missing'));
  const real = /\breal$/i.test(trimmed);
  if (real && !(context.scale && context.scale > 1)) {
    return readFailed(messageWithoutValues('typed.length-real'));
  }
  const negative = /^[-−]/.test(trimmed);
  const body = decimalPointOf(trimmed.replace(/\s*\breal$/i, '').replace(/^[-−+]\s*/, ''));
  if (!body.ok) return body;
  const magnitude = sumOfTerms(tokens(body.value), context.bare ?? 'mm');
  if (magnitude === null || !Number.isFinite(magnitude))
    return readFailed({ code: 'typed.length', values: { text: trimmed } });
  return readOk(((negative ? -1 : 1) * magnitude) / (real ? (context.scale as number) : 1));
}

function tokens(body: string): string[] {
  return body
    .replace(/(\d)-(\d+\/\d+)/g, '$1 $2')
    .replace(/(["″'′])/g, ' $1 ')
    .replace(/(\d\.?)([a-df-z])/gi, '$1 $2')
    .trim()
    .split(/\s+/);
}

/** Adds up "number [fraction] [unit]" terms; null as soon as something is out of place. */
function sumOfTerms(parts: readonly string[], bare: 'mm' | 'in'): number | null {
  let sum = 0;
  let lastUnitMm = Infinity;
  for (let index = 0; index < parts.length;) {
    const whole = NUMBER.test(parts[index]!) ? Number(parts[index++]) : null;
    const fraction = index < parts.length ? readFraction(parts[index]!) : null;
    if (fraction !== null) index++;
    if (whole === null && fraction === null) return null;
    if (whole !== null && fraction !== null && !Number.isInteger(whole)) return null;
    const written = index < parts.length && UNIT.test(parts[index]!) ? parts[index++]!.toLowerCase() : null;
    const unit = written ?? impliedUnit(fraction !== null, lastUnitMm, bare);
    const unitMm = MM_PER_UNIT[unit]!;
    // Terms must fall in size, as in 1' 6": otherwise "6 7" would add up.
    if (unitMm >= lastUnitMm) return null;
    lastUnitMm = unitMm;
    sum += ((whole ?? 0) + (fraction ?? 0)) * unitMm;
  }
  return sum;
}

function impliedUnit(hasFraction: boolean, lastUnitMm: number, bare: 'mm' | 'in'): string {
  if (hasFraction || lastUnitMm === MM_PER_UNIT.ft) return 'in';
  return lastUnitMm === Infinity ? bare : 'in';
}

function readFraction(text: string): number | null {
  const match = FRACTION.exec(text);
  if (!match || Number(match[2]) === 0) return null;
  return Number(match[1]) / Number(match[2]);
}

/**
 * Writes a length for people.
 * @param mm millimetres
 * @param unit `mm`: two decimals below 10, one below 100, whole above; `in`: feet never, fractions to 1/64
 * @returns number and unit, separated by a narrow space where the unit is a word
 */
export function showLength(mm: number, unit: 'mm' | 'in' = 'mm'): string {
  if (unit === 'in') return showInches(mm / MM_PER_INCH);
  const size = Math.abs(mm);
  const decimals = size < 10 ? 2 : size < 100 ? 1 : 0;
  return `${trimZeros(mm.toFixed(decimals))} mm`;
}

/** Writes a length at scale with the size of the real thing: `62.5 mm (real 6 m)`; at full size the length alone. */
export function showBoth(mm: number, unit: 'mm' | 'in', scale: number): string {
  if (scale === 1) return showLength(mm, unit);
  const real = mm * scale;
  return `${showLength(mm, unit)} (real ${unit === 'mm' && Math.abs(real) >= 1000 ? `${trimZeros((real / 1000).toFixed(2))} m` : showLength(real, unit)})`;
}

/** Square inches in a square metre. */
const SQUARE_INCHES = 1 / (MM_PER_INCH / 1000) ** 2;
const SQUARE_INCHES_IN_FOOT = 144;

/** Writes a size for people: square metres, for those who work in inches square inches or, from one on, square feet. */
export function showArea(sizeM2: number, unit: 'mm' | 'in' = 'mm'): string {
  if (unit === 'mm') return `${sizeM2.toFixed(sizeM2 < 0.1 ? 4 : 2)} m²`;
  const inches = sizeM2 * SQUARE_INCHES;
  return inches < SQUARE_INCHES_IN_FOOT
    ? `${inches.toFixed(1)} in²`
    : `${(inches / SQUARE_INCHES_IN_FOOT).toFixed(1)} ft²`;
}

function showInches(inches: number): string {
  const sixtyFourths = Math.round(Math.abs(inches) * 64);
  const whole = Math.floor(sixtyFourths / 64);
  let top = sixtyFourths % 64;
  let bottom = 64;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const sign = inches < 0 && sixtyFourths > 0 ? '-' : '';
  const fraction = top > 0 ? `${top}/${bottom}` : '';
  return `${sign}${[whole > 0 || !fraction ? String(whole) : '', fraction].filter(Boolean).join(' ')}"`;
}

function trimZeros(text: string): string {
  const trimmed = text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
  return trimmed === '-0' ? '0' : trimmed;
}
