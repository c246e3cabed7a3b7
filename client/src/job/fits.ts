import type { LineFit, Part, Tape } from '@lintrel/core';
import { useEffect, useState } from 'react';
import { compute } from '@/worker/worker';

/** How every crisp tape follows a line; null until the worker has answered. */
export function useFits(part: Part | null, line: string | null, tapes: readonly Tape[]): readonly LineFit[] | null {
  const [fits, setFits] = useState<{ of: string; fits: readonly LineFit[] } | null>(null);
  const key = `${JSON.stringify(part)} ${line}`;
  useEffect(() => {
    let wanted = true;
    if (part && line) void compute('fits', { part, line, tapes }).then((found) => wanted && setFits({ of: key, fits: found }));
    return () => {
      wanted = false;
    };
    // The key stands for part and line.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, tapes]);
  return fits?.of === key ? fits.fits : null;
}
