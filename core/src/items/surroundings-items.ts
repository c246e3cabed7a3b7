import type { SurroundingsItem } from '../contract';
import { pathLength } from '../curves';
import type { MaskEdge } from '../masking';
import { maskedSurroundingsOf, maskingMeans, type StageSource, type SurroundingsPlace } from '../problem';
import { surroundingsRun } from '../runs';
import { memoizedEdgeCost, type Sequence } from '../stage';
import { bondBelow, type CommonFieldsOn, edgeOff, type ItemNamer, removalOf, tapeDwell } from './item-frame';

/** A piece along the surroundings, and how long it comes off clean, h at 23 °C. */
interface RimLaid {
  readonly item: SurroundingsItem;
  readonly cleanHours: number;
}

/** Masking of the surroundings in a stage: one piece for each stretch beside an open area. */
export function surroundingsItems(
  sequence: Sequence,
  index: number,
  source: StageSource,
  name: ItemNamer,
  commonOn: CommonFieldsOn,
): RimLaid[] {
  const { rims, problem, works } = source;
  const means = maskingMeans(source);
  const firstRim = problem.borders.length - rims.length;
  const laid = sequence.stages[index]!.mask.edges.filter(
    ({ border, laid: when }) => border >= firstRim && when === 'now',
  );
  return laid.map((edge, number) => {
    const place = rims[edge.border - firstRim]!;
    return rimItem(edge, place, `E${number + 1}`);
  });

  function rimItem({ border, free, closed, class: one }: MaskEdge, place: SurroundingsPlace, code: string): RimLaid {
    const { part, setOut, areaIds } = works[place.part]!;
    const staysMin = tapeDwell(sequence, index, closed);
    const run = surroundingsRun(
      { ...maskedSurroundingsOf(place, one), staysMin, bondN25: bondBelow(sequence, index, closed, source) },
      means,
    );
    const cost = memoizedEdgeCost(problem.borders[border]!, { crisp: one === 'crisp', backed: false }, problem.model);
    const beside = free === place.area ? free : closed;
    const { cleanHours, ...how } = run;
    const common = commonOn(closed);
    const item: SurroundingsItem = {
      ...common,
      until: removalOf(
        sequence,
        index,
        { border, closed },
        common.until,
        edgeOff(sequence, index, { border, closed }).uncover,
      ),
      ...how,
      id: name(part.id, 'rim', `${place.edge}`, `${problem.areas[free]!.id}|${problem.areas[closed]!.id}`),
      kind: 'rim',
      code,
      part: part.id,
      edge: place.edge,
      edgeName: setOut.board.drawn.edges[place.edge]!.name,
      beyond: place.rim.beyond as SurroundingsItem['beyond'],
      beside: areaIds[beside - source.starts.areas[place.part]!]!,
      on: problem.areas[closed]!.id,
      from: place.from,
      to: place.to,
      edgeMm: pathLength(place.path),
      count: part.count,
      after: [],
      layMin: cost.layMin,
      pullMin: cost.pullMin,
    };
    return { item, cleanHours };
  }
}
