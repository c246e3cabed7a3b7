import type { SectionBatch } from '../batch';
import type { StagePlan } from '../contract';
import { type Finish, isSprayed } from '../finish';
import { messageWithoutValues, type StepId, TOLERANCE } from '../kit';
import type { AfterRule } from '../runsheet';
import type { StageSections } from '../stage';
import type { CoatSectionInfo, CoatValues } from './coat-steps';
import { coversFirst, tapeRemovals } from './pull-steps';
import { sectionMessages } from './sections';
import { type StepClock, stepId } from './step-clock';
import { coatId, dryingLocationOf, filmRule } from './step-rules';
import type { StepSource } from './steps';

/** Puts a coat of some sections on. */
type CoatStep = (
  name: string,
  coat: number,
  minutes: number,
  said: Pick<CoatValues, 'sections'>,
  more: CoatSectionInfo,
) => void;

/**
 * The last coat section by section, and each pulled in its turn by the one person who does both. The last painting has the name the coat has
 * when it is done at once, the last pull that of the pull: what counts from them counts from the end.
 */
export function sectionSteps(
  stage: StagePlan,
  finish: Finish,
  sections: StageSections,
  coatStep: CoatStep,
  source: StepSource,
  { add, pass }: StepClock,
): void {
  const { coats } = stage;
  const { heaps } = sections;
  const { cleaning } = source.sequence.stages[stage.number - 1]!;
  const [paints, pulls] = (['paint', 'pull'] as const).map((turn) => heaps.filter((heap) => heap.turn === turn)) as [
    SectionBatch[],
    SectionBatch[],
  ];
  const coatName = (heap: SectionBatch) =>
    heap === paints.at(-1) ? `${coats}` : `${coats}.${paints.indexOf(heap) + 1}`;
  const tapes = tapeRemovals(stage, source);
  let endMin = 0;
  let last: StepId | null = null;
  for (const heap of heaps) {
    const { turn, first, count, startMin } = heap;
    // Which of the pulls it is, from 1; 0: it is none.
    const place = pulls.indexOf(heap) + 1;
    const plain = turn === 'paint' && first === 0 ? (stage.withFirst ?? []) : [];
    const sectionNames = [...plain, ...(stage.sections?.slice(first, first + count) ?? [])];
    const parts = [...new Set(sectionNames.map((sectionName) => sectionName.part))];
    const part = parts.length === 1 ? { part: parts[0]! } : {};
    const said = sectionMessages(sectionNames, source.parts);
    const minutes = heap.endMin - startMin;
    let restMin = startMin - endMin;
    if (
      turn === 'pull' &&
      endMin >= sections.paintedMin - TOLERANCE.rounding &&
      place === cleaning.after + 1 &&
      cleaning.minutes > 0
    ) {
      add('gun-clean', null, cleaning.minutes, messageWithoutValues('step.gun-clean'));
      restMin -= cleaning.minutes;
    }
    endMin = heap.endMin;
    if (turn === 'paint') {
      // Put off until its pull can be in time.
      const rest: AfterRule[] =
        restMin > TOLERANCE.rounding && last !== null
          ? [{ step: last, from: 'end', minMin: restMin, maxMin: null, code: 'flash' }]
          : [];
      pass('wait', `section-${coatName(heap)}`, restMin, messageWithoutValues('step.wait-section'));
      coatStep(coatName(heap), coats, minutes, { sections: said }, { ...part, rest });
      last = idOf(heap);
      continue;
    }
    const name = place === pulls.length ? null : `${place}`;
    pass('wait', name === null ? 'pull' : `pull-${name}`, restMin, messageWithoutValues('step.wait-pull'));
    const rules = heap.painted.map(({ heap: painted, fromMin, toMin }) =>
      filmRule(idOf(heaps[painted]!), { fromMin, toMin }, 'pull', finish, source, dryingLocationOf(stage.school)),
    );
    const before = heaps.slice(0, heaps.indexOf(heap)).findLast((sectionBatch) => sectionBatch.turn === 'paint')!;
    const { opens, closes } = pullWindow(heap, before, heaps);
    const off = tapes.filter(({ until }) => (until.turn ?? pulls.length) === place);
    const items = off.map(({ id }) => id);
    const values = {
      finish: finish.name,
      school: stage.school ?? finish.school,
      fromMin: opens - before.endMin,
      toMin: closes - before.endMin,
      hands: 1,
      older: place === pulls.length ? stage.pulls.map(String) : [],
      sections: said,
      ...coversFirst(off, source.parts),
      ...(before === paints.at(-1) ? {} : { more: isSprayed(finish) ? ('mist' as const) : ('drips' as const) }),
    };
    last = stepId(stage.session, 'pull', name);
    add('pull', name, minutes, { code: 'step.pull', values }, { ...part, items, after: rules });
  }

  function idOf(heap: SectionBatch): StepId {
    return coatId(stage, coatName(heap));
  }
}

/** When a pull may begin and must be done, on the clock of its stage: by every painting it takes the tape off. */
const pullWindow = ({ painted }: SectionBatch, before: SectionBatch, batches: readonly SectionBatch[]) => ({
  opens: Math.max(before.endMin, ...painted.map(({ heap, fromMin }) => batches[heap]!.endMin + fromMin)),
  closes: Math.min(...painted.map(({ heap, toMin }) => batches[heap]!.endMin + toMin)),
});
