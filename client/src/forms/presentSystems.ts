import { PAINT_SYSTEM_KEYS } from '@lintrel/core';
import { SYSTEM_NAMES } from '@lintrel/words';

/** Existing systems to choose from. */
export const PRESENT_SYSTEMS = [
  { value: 'bare' as const, label: 'Nothing: bare' },
  ...PAINT_SYSTEM_KEYS.map((value) => ({ value, label: SYSTEM_NAMES[value] })),
];
