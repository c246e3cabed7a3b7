import type { LinePlan } from '@lintrel/core';

/** One entry a line of the list: its first stroke speaks for all, with the code of the list, L5 for L5a. */
export function firstStrokes(lines: readonly LinePlan[]): LinePlan[] {
  const seen = new Set<string>();
  return lines.flatMap((line) => {
    if (seen.has(line.owner)) return [];
    seen.add(line.owner);
    return [line.id === line.owner ? line : { ...line, code: line.code.replace(/[a-z]+$/, '') }];
  });
}
