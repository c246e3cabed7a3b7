import type { Design, PartPlan, Shelf } from '@lintrel/core';
import { useComputed } from '@/worker/useComputed';

/** Lines and areas of a design that is still being typed; the last ones while the newest are on their way. */
export const useDraftParts = (design: Design, shelf: Shelf): readonly PartPlan[] | null => useComputed('draft', { design, shelf }).output;
