import type { Design, PartPlan } from '@lintrel/core';
import { useView } from '@/worker/useSession';

/** Lines and areas of a design that is still being typed; the last ones while the newest are on their way. */
export const useDraftParts = (design: Design): readonly PartPlan[] | null => useView('draft', { design }).output;
