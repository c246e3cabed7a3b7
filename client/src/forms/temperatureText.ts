import { fahrenheitOf } from '@lintrel/core';

/** A temperature as the text of a field, in the person's unit, with enough digits to be parsed back exactly. */
export const temperatureText = (degreesC: number, unit: 'C' | 'F'): string =>
  String(Number((unit === 'F' ? fahrenheitOf(degreesC) : degreesC).toFixed(2)));
