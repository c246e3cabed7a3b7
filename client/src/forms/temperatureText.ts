import { fahrenheitOf } from '@lintrel/core';

/** A temperature as it stands in a field, in the unit of the person, with enough digits to be read back the same. */
export const temperatureText = (degreesC: number, unit: 'C' | 'F'): string =>
  String(Number((unit === 'F' ? fahrenheitOf(degreesC) : degreesC).toFixed(2)));
