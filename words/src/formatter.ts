import { fahrenheitOf, MM_PER_INCH, showArea, showLength, showMinutes } from '@lintrel/core/front';

/** How a person reads figures. A setting of the person, not of a job. */
export interface Person {
  readonly length: 'mm' | 'in';
  readonly temperature: 'C' | 'F';
  readonly language: Language;
}

export const LANGUAGES = ['en', 'pseudo'] as const;
export type Language = (typeof LANGUAGES)[number];

/** Millimetres, °C, English. */
export const DEFAULT_PERSON: Person = { length: 'mm', temperature: 'C', language: 'en' };

/** Millilitres in a US fluid ounce, exact by definition. */
const ML_PER_FL_OZ = 29.5735295625;
const MM_PER_FOOT = 12 * MM_PER_INCH;

/** Writes figures as a person reads them, each with its unit. */
export interface Formatter {
  /** True for a person who works in inches. */
  readonly inches: boolean;
  readonly length: (mm: number) => string;
  /** A length too fine for a rule: hundredths of a millimetre, or thousandths of an inch. */
  readonly fine: (mm: number) => string;
  /** A long length: metres, or feet. */
  readonly metres: (mm: number) => string;
  readonly area: (sizeM2: number) => string;
  readonly minutes: (minutes: number) => string;
  readonly volume: (ml: number) => string;
  readonly temperature: (degreesC: number, decimals?: number) => string;
  /** A difference of two temperatures. */
  readonly degrees: (kelvin: number, decimals?: number) => string;
  readonly share: (share: number) => string;
}

/** How figures are written for a person. */
export function formatterFor({ length, temperature }: Pick<Person, 'length' | 'temperature'>): Formatter {
  const inches = length === 'in';
  const hot = temperature === 'F';
  const unit = hot ? '°F' : '°C';
  return {
    inches,
    length: (mm) => showLength(mm, length),
    fine: (mm) => (inches ? `${(mm / MM_PER_INCH).toFixed(3)}"` : `${mm.toFixed(2)} mm`),
    metres: (mm) => (inches ? `${(mm / MM_PER_FOOT).toFixed(1)} ft` : `${(mm / 1000).toFixed(2)} m`),
    area: (sizeM2) => showArea(sizeM2, length),
    minutes: showMinutes,
    volume: (ml) => {
      const [amount, name] = inches ? [ml / ML_PER_FL_OZ, 'fl oz'] : [ml, 'ml'];
      return `${amount.toFixed(amount < 10 ? 1 : 0)} ${name}`;
    },
    temperature: (degrees, decimals = 0) =>
      `${trimmed((hot ? fahrenheitOf(degrees) : degrees).toFixed(decimals))} ${unit}`,
    degrees: (kelvin, decimals = 0) => `${trimmed((hot ? (kelvin * 9) / 5 : kelvin).toFixed(decimals))} ${unit}`,
    share: (share) => `${(share * 100).toFixed(share < 0.01 ? 1 : 0)} %`,
  };
}

const trimmed = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text).replace(/^-0$/, '0');
