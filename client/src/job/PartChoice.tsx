import { useState } from 'react';
import type { PartPlan, Plan } from '@lintrel/core';
import { Choice } from '@/ui/Choice';

/**
 * The part being looked at, and a choice between parts where there are several.
 * @param first the one a person came for
 * @param otherwise the one that is shown until a person chooses
 */
export function usePart(
  plan: Plan | null,
  first?: string | null,
  otherwise?: string,
): { part: PartPlan | null; choice: React.ReactNode; choose: (id: string) => void } {
  const [chosen, setChosen] = useState<string | null>(first ?? null);
  const parts = plan?.parts ?? [];
  const part = parts.find(({ id }) => id === (chosen ?? otherwise)) ?? parts[0] ?? null;
  const choice =
    parts.length > 1 && part ? (
      <Choice label="Part" value={part.id} options={parts.map(({ id, name }) => ({ value: id, label: name }))} onChange={setChosen} />
    ) : null;
  return { part, choice, choose: setChosen };
}
