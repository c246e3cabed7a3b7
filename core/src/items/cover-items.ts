import type { CoverItem, LineItem, SurroundingsItem } from '../contract';
import type { StageSource } from '../problem';
import {
  addCovers,
  type Cover,
  coverMin,
  coverOver,
  dripPaper,
  NO_COVER,
  type StageCost,
  uncoverMin,
  wholePartCover,
} from '../stage';
import type { CommonFieldsOn, ItemNamer } from './item-frame';
import { COVER_MATERIAL } from './own-pieces';

/** Paper or film over what no tape covers alone, onto the tape round it; and over attached parts in reach, whole. */
export function coverItems(
  { mask }: StageCost,
  { works, problem }: StageSource,
  tapes: readonly (LineItem | SurroundingsItem)[],
  name: ItemNamer,
  commonOn: CommonFieldsOn,
): CoverItem[] {
  const draped = (drape: Cover) => ({
    kind: 'cover' as const,
    sizeM2: drape.sizeM2,
    material: COVER_MATERIAL,
    techniques: [],
    doubts: [],
    layMin: coverMin(drape),
    pullMin: uncoverMin(drape),
  });
  const areas = mask.covers.flatMap(({ area, by, laid }): CoverItem[] => {
    const fresh = mask.drips ? mask.edges.filter((edge) => edge.closed === area && edge.laid === 'now') : [];
    if (by !== 'drape' || (mask.drips ? fresh.length === 0 : laid !== 'now')) return [];
    const papers = mask.drips
      ? fresh.map(({ border }) => dripPaper(problem.borders[border]!))
      : [coverOver(problem.areas[area]!)];
    const { part: id, area: of } = problem.areas[area]!;
    const { part, arrangement, areaIds } = works.find((work) => work.part.id === id)!;
    const index = areaIds.indexOf(of);
    const round = new Set(
      arrangement.borders.filter(({ left, right }) => left === index || right === index).map(({ line }) => line),
    );
    const under = tapes.filter((tape) =>
      tape.kind === 'rim' ? tape.on === problem.areas[area]!.id : tape.part === id && round.has(tape.line),
    );
    return [
      {
        ...commonOn(area),
        ...draped(papers.reduce(addCovers, NO_COVER)),
        id: name(id, 'cover', of),
        part: id,
        area: of,
        count: part.count,
        after: under.map((tape) => tape.id),
      },
    ];
  });
  const wholes = mask.wholes.flatMap((part): CoverItem[] => {
    const coveredPart = works.find((work) => work.part.id === part)?.part;
    if (!coveredPart) return [];
    return [
      {
        ...commonOn(null),
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
