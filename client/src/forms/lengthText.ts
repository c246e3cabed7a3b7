import { MM_PER_INCH } from '@lintrel/core';

/** A length as the text of a field: in the job's unit, with enough digits to be parsed back exactly. */
export function lengthText(mm: number, unit: 'mm' | 'in'): string {
  const value = unit === 'in' ? mm / MM_PER_INCH : mm;
  return String(Number(value.toFixed(unit === 'in' ? 5 : 3)));
}
