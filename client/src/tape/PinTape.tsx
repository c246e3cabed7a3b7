import { forbidTape, type LineItem, pinTape, type TapePlace } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';

type Reach = 'side' | 'line' | 'job';

/** Another tape for a run, its line, or the whole job. */
export function PinTape({ run, line }: { run: LineItem; line: string }) {
  const { design, shelf, change } = useJob();
  const [open, setOpen] = useState(false);
  const [reach, setReach] = useState<Reach>('line');
  const tapePlace: TapePlace =
    reach === 'job' ? {} : { part: run.part, line, ...(reach === 'side' ? { side: run.side } : {}) };
  const pinned =
    (design.choices.tapes ?? []).find(
      (pin) => pin.part === tapePlace.part && pin.line === tapePlace.line && pin.side === tapePlace.side,
    )?.tape ?? '';
  const { material } = run;
  const forbid = (tape: string, is: boolean) =>
    void change((now) => forbidTape(now, tape, is), {
      code: is ? 'edit.tape-forbidden' : 'edit.tape-allowed',
      values: { tape },
    });
  if (!open)
    return (
      <Action
        label={run.pinned ? phrase`Chosen by you: ${run.material ?? ''}. Change` : 'Take another tape'}
        onPress={() => setOpen(true)}
        testID="another-tape"
      />
    );
  return (
    <>
      <Choice
        label="For"
        value={reach}
        options={[
          { value: 'side', label: 'this side' },
          { value: 'line', label: 'this line' },
          { value: 'job', label: 'all lines of the job' },
        ]}
        onChange={setReach}
      />
      <Pick
        label="Tape"
        value={pinned}
        options={[
          { value: '', label: 'As the plan chooses' },
          ...shelf.tapes.map(({ code, name, rolls }) => ({
            value: code,
            label: phrase`${code}  ${name}${rolls === 0 ? ' (run out)' : ''}`,
          })),
        ]}
        onChange={(tape) =>
          void change((now) => pinTape(now, tapePlace, tape === '' ? null : tape), {
            code: 'edit.tape',
            values: { tape, line: run.lineCode },
          })
        }
      />
      {material === null ? null : (
        <Action
          rank="quiet"
          label={phrase`No ${material} in this job`}
          onPress={() => forbid(material, true)}
          testID="forbid-tape"
        />
      )}
      {(design.choices.notTapes ?? []).map((code) => (
        <Action
          key={code}
          rank="quiet"
          label={phrase`Allow ${code} again`}
          onPress={() => forbid(code, false)}
          testID={`allow-${code}`}
        />
      ))}
    </>
  );
}
