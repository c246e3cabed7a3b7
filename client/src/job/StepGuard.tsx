import { phrase } from '@lintrel/words';
import { Body } from '@/ui/Typography';
import { useJob } from './JobContext';
import { Missing } from './Missing';
import { StepLayout } from './StepLayout';

/** Placeholder of a step without a part: there is none yet, or it is being computed. */
export function StepGuard({ waiting }: { waiting: string }) {
  const { design, planError } = useJob();
  return (
    <StepLayout>
      {design.parts.length === 0 ? (
        <Missing need="part" />
      ) : (
        <Body>{planError ? phrase`This could not be worked out: ${planError}` : waiting}</Body>
      )}
    </StepLayout>
  );
}
