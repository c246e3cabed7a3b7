import type { Design, PartPlan, Shelf } from '@lintrel/core';
import { useMemo } from 'react';
import { useComputed } from '@/worker/useComputed';

/** Lines and areas of a design that is still being typed; the last ones while the newest are on their way. */
export function useDraftParts(design: Design, shelf: Shelf): readonly PartPlan[] | null {
  // A form makes its design anew whenever it is drawn: it is worked out again only when something in it differs.
  const text = JSON.stringify(design);
  const kept = useMemo(() => JSON.parse(text) as Design, [text]);
  return useComputed('draft', { design: kept, shelf }).output;
}
