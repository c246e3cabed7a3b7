import type { PartPlan } from '@lintrel/core';
import { useState } from 'react';
import { Choice } from '@/ui/Choice';

/**
 * The selected part, with a choice if there are several.
 * @param first selected initially
 */
export function usePart(
  parts: readonly PartPlan[] | null,
  first?: string,
): { part: PartPlan | null; choice: React.ReactNode; choose: (id: string) => void } {
  const [chosen, setChosen] = useState<string | null>(null);
  const part = parts?.find(({ id }) => id === (chosen ?? first)) ?? parts?.[0] ?? null;
  const choice =
    parts && parts.length > 1 && part ? (
      <Choice
        label="Part"
        value={part.id}
        options={parts.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setChosen}
      />
    ) : null;
  return { part, choice, choose: setChosen };
}
