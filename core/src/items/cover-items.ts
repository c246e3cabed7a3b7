import type { CoverItem, Item } from '../contract';
import type { AreaRef } from '../kit';
import type { StageSource } from '../problem';
import { type Cover, coverMin, coverOver, dripPapers, type Sequence, uncoverMin, wholePartCover } from '../stage';
import { type CommonFieldsOn, coverRemoval, type ItemNamer } from './item-frame';
import { COVER_MATERIAL } from './own-pieces';

/** A tape that carries the cover of an area. */
interface Carrier {
  readonly area: AreaRef;
  readonly item: Item['id'];
}

/** Paper or film over what no tape covers alone, hung from the tapes round it; and over attached parts in reach, whole. */
export function coverItems(
  sequence: Sequence,
  index: number,
  { works, problem }: StageSource,
  carriers: readonly Carrier[],
  name: ItemNamer,
  commonOn: CommonFieldsOn,
): CoverItem[] {
  const { mask } = sequence.stages[index]!;
  const draped = (drape: Cover) => ({
    kind: 'cover' as const,
    sizeM2: drape.sizeM2,
    material: COVER_MATERIAL,
    techniques: [],
    doubts: [],
    layMin: coverMin(drape),
    pullMin: uncoverMin(drape),
  });
  const areas = mask.covers.flatMap(({ area, by, laid, sheet }): CoverItem[] => {
    const fresh = mask.drips ? mask.edges.filter((edge) => edge.closed === area && edge.laid === 'now') : [];
    if (by !== 'drape' || (mask.drips ? fresh.length === 0 : laid !== 'now')) return [];
    const { part: id, area: of } = problem.areas[area]!;
    const under = new Set(
      mask.covers.flatMap((cover) => (cover.sheet === sheet ? [problem.areas[cover.area]!.id] : [])),
    );
    const { part } = works.find((work) => work.part.id === id)!;
    const common = commonOn(area);
    return [
      {
        ...common,
        ...draped(mask.drips ? dripPapers(problem.borders, mask.edges, area) : coverOver(problem.areas[area]!)),
        until: coverRemoval(sequence, area, common.until),
        id: name(id, 'cover', of),
        part: id,
        area: of,
        count: part.count,
        after: [...new Set(carriers.flatMap((carrier) => (under.has(carrier.area) ? [carrier.item] : [])))],
      },
    ];
  });
  const wholes = mask.wholes.flatMap((part): CoverItem[] => {
    const coveredPart = works.find((work) => work.part.id === part)?.part;
    if (!coveredPart) return [];
    const common = commonOn(null);
    return [
      {
        ...common,
        until: { ...common.until, uncover: true },
        ...draped(wholePartCover(problem.areas, part)),
        id: name(part, 'cover', 'whole'),
        part,
        area: null,
        count: coveredPart.count,
        after: [],
      },
    ];
  });
  return [...areas, ...wholes];
}
