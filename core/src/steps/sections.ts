import type { OnePersonPlan, SectionMessage, SectionName, SectionPlan, StagePlan } from '../contract';
import { firstItem, type Message, type PartId } from '../kit';
import type { StageSource } from '../problem';
import type { PartPlan } from '../setout';
import type { StageCost, StageSection, StageSections } from '../stage';

/** The one-person plan of a stage in sections. */
export const onePersonPlan = (sections: StageSections | null): OnePersonPlan | null =>
  sections && {
    sections: sections.sections.length,
    ahead: firstItem(sections.heaps).count,
    totalMin: sections.totalMin,
  };

/** The same as a message at a pull or a coat, if the stage is not planned like that already. */
export const onePersonMessage = ({ alone, sections }: StagePlan): { readonly alone?: Message } =>
  alone && !sections ? { alone: { code: 'advice.alone', values: { ...alone } } } : {};

/** When each section is painted and pulled, on the clock of the job. */
export function sectionsPlanned(
  { lastCoatMin }: StageCost,
  stageSections: StageSections,
  preparedMin: number,
  source: StageSource,
): SectionPlan[] {
  const begun = preparedMin + lastCoatMin - stageSections.paintedMin;
  const times = stageSections.sections.map(() => ({ paintedMin: 0, pullMin: 0, offMin: 0 }));
  for (const { turn, first, count, startMin } of stageSections.heaps) {
    let atMin = begun + startMin;
    for (let section = first; section < first + count; section++) {
      const [time, one] = [times[section]!, stageSections.sections[section]!];
      if (turn === 'pull') time.pullMin = atMin;
      atMin += turn === 'paint' ? one.paintMin : one.pullMin;
      if (turn === 'pull') time.offMin = atMin;
      else time.paintedMin = atMin;
    }
  }
  return stageSections.sections.map((section, index) => ({ ...named(section, source), ...times[index]! }));
}

/** A section as the plan names it. */
export const named = (
  { part, piece, area }: StageSection,
  { works, problem }: Pick<StageSource, 'works' | 'problem'>,
): SectionName => ({
  part,
  piece: piece + 1,
  of: works.find((work) => work.part.id === part)?.part.count ?? 1,
  area: area === null ? null : problem.areas[area]!.area,
});

/** Sections one after the other as a person names them: areas of a piece together, and whole pieces of a part. */
export function sectionMessages(sections: readonly SectionName[], parts: readonly PartPlan[]): SectionMessage[] {
  const groups: { part: PartId; first: number; last: number; of: number; areas: string[] }[] = [];
  for (const { part, piece, of, area } of sections) {
    const last = groups.at(-1);
    const code =
      area === null ? [] : [parts.find(({ id }) => id === part)?.areas.find(({ id }) => id === area)?.code ?? area];
    const same = last?.part === part && (area === null ? last.areas.length === 0 : last.last === piece);
    if (last && same) {
      last.last = piece;
      last.areas.push(...code);
    } else groups.push({ part, first: piece, last: piece, of, areas: code });
  }
  return groups.map(({ part, ...rest }) => ({
    code: 'section.of',
    values: { part: parts.find(({ id }) => id === part)?.name ?? part, ...rest },
  }));
}
