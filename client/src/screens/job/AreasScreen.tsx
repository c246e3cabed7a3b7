import { forgetAtPoint, letteringOf, messageWithoutValues, type PartPlan, type Place, showLength } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMemo, useState } from 'react';
import { AreaList, finishNames } from '@/areas/AreaList';
import { LayersPanel } from '@/areas/LayersPanel';
import { type OtherDrawing, Schemes } from '@/areas/Schemes';
import { SideBySide } from '@/areas/SideBySide';
import { type Trial, Widths, withTrial } from '@/areas/Widths';
import { finalAreas } from '@/drawing/paint';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { useWide } from '@/theme/useWide';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { useView } from '@/worker/useSession';

/** Areas: tap an area, tap a finish. */
export function AreasScreen() {
  const { parts, plan, shelf, change, unit } = useJob();
  const { say } = useWords();
  const { part, choice } = usePart(parts);
  const [chosen, setChosen] = useState<string | null>(null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [other, setOther] = useState<OtherDrawing | null>(null);
  const wide = useWide();
  const tried = useTrial(trial);
  if (!part) return <StepGuard waiting="Finding the areas …" />;
  const drawn = tried?.find(({ id }) => id === part.id) ?? part;
  const letters = letteringOf(part);
  // Letters are tapped as one.
  const choose = (code: string | null) =>
    setChosen(letters.find(({ strokes }) => code !== null && strokes.includes(code))?.owner ?? code);
  const nameOf = finishNames(shelf);
  return (
    <StepLayout
      part={part}
      drawing={
        wide && other ? (
          <SideBySide part={part} other={other} shelf={shelf} />
        ) : (
          <PartDrawing
            part={drawn}
            areas={finalAreas(drawn.areas, shelf)}
            codes="areas"
            chosenArea={trial ? null : chosen}
            onArea={trial ? undefined : choose}
          />
        )
      }
    >
      {choice}
      <AreaList part={part} letters={letters} chosen={chosen} onChoose={setChosen} />
      {part.lost.map(({ seed, finish }) => (
        <Lost
          key={seed.join(' ')}
          seed={seed}
          name={nameOf(finish)}
          unit={unit}
          onLeaveOut={() =>
            void change((now) => forgetAtPoint(now, part.id, seed), messageWithoutValues('edit.place-gone'))
          }
        />
      ))}
      <Widths part={part.id} trial={trial} onTrial={setTrial} />
      <LayersPanel />
      {plan ? <Schemes plan={plan} part={part} onOther={setOther} /> : null}
      {(plan?.advice ?? [])
        .filter(({ place, values }) => place.part === part.id && place.area !== null && !('stage' in values))
        .map((advice) => (
          <Notice key={say(advice)} level={advice.level} text={say(advice)} />
        ))}
      {part.lines.length === 0 ? <Missing need="line" /> : null}
    </StepLayout>
  );
}

/** A finish that was given to a place in no area: never left out without a person saying so. */
function Lost({
  seed,
  name,
  unit,
  onLeaveOut,
}: {
  seed: Place;
  name: string;
  unit: 'mm' | 'in';
  onLeaveOut: () => void;
}) {
  return (
    <Panel>
      <Notice
        level="stop"
        text={phrase`"${name}" was given to a place in no area: ${showLength(seed[0], unit)} along, ${showLength(seed[1], unit)} up. Give the area that was meant its finish.`}
      />
      <Action label="Leave this out" onPress={onLeaveOut} testID="leave-out" />
    </Panel>
  );
}

/** Parts with widths tried on them; null while none are. */
function useTrial(trial: Trial | null): readonly PartPlan[] | null {
  const { design } = useJob();
  const tried = useMemo(() => withTrial(design, trial), [design, trial]);
  const { output } = useView('draft', trial ? { design: tried, carry: true } : null);
  return trial ? output : null;
}
