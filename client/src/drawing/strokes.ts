import { lineCode, type LinePlan } from '@lintrel/core';

/** One entry per line of the list: its first stroke, with the code of the line, L5 for L5a. */
export function firstStrokes(lines: readonly LinePlan[]): LinePlan[] {
  const owners = [...new Set(lines.map(({ owner }) => owner))];
  return owners.flatMap((owner, index) => {
    const first = lines.find((line) => line.owner === owner);
    return first ? [{ ...first, code: lineCode(index) }] : [];
  });
}
