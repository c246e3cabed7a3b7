import { faultText, type Reading } from '@lintrel/core';

/** What is wrong with a typed value, for its field; undefined where it was read. */
export const readingFault = (reading: Reading<unknown>): string | undefined =>
  reading.ok ? undefined : faultText(reading.why);
