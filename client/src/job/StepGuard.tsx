import { phrase } from '@lintrel/words';
import { Body } from '@/ui/Typography';
import { useJob } from './JobContext';
import { Missing } from './Missing';
import { StepLayout } from './StepLayout';

/** What a step shows before there is a part to show: that there is none yet, or that it is being worked out. */
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
