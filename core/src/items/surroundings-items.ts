import type { SurroundingsItem } from '../contract';
import { pathLength } from '../curves';
import type { MaskEdge } from '../masking';
import { edgeNameOf, maskedSurroundingsOf, maskingMeans, type StageSource, type SurroundingsPlace } from '../problem';
import { surroundingsRuns } from '../runs';
import { formOf, memoizedEdgeCost, type Sequence } from '../stage';
import { bondBelow, type CommonFieldsOn, edgeOff, type ItemNamer, removalOf, tapeDwell } from './item-frame';

/** A piece along the surroundings, and how long it comes off clean, h at 23 °C. */
interface RimLaid {
  readonly item: SurroundingsItem;
  readonly cleanHours: number;
}

/** Masking of the surroundings in a stage: for each stretch beside an open area one piece, or foam with the tape beside it. */
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
  return laid.flatMap((edge, number) => rimLaid(edge, rims[edge.border - firstRim]!, `E${number + 1}`));

  /** What masks one stretch; of several the later lie on the first. */
  function rimLaid(edge: MaskEdge, place: SurroundingsPlace, code: string): RimLaid[] {
    const { border, free, closed, class: one } = edge;
    const { part, setOut, areaIds } = works[place.part]!;
    const dwell = { staysMin: tapeDwell(sequence, index, closed), bondN25: bondBelow(sequence, index, closed, source) };
    const masked = maskedSurroundingsOf(place, one, { ownCovered: closed === place.area, outlined: edge.backed });
    const runs = surroundingsRuns({ ...masked, ...dwell }, means);
    const cost = memoizedEdgeCost(problem.borders[border]!, formOf(edge), problem.model);
    const second = { layMin: cost.backingLayMin, pullMin: cost.backingPullMin };
    const first = { layMin: cost.layMin - second.layMin, pullMin: cost.pullMin - second.pullMin };
    const beside = free === place.area ? free : closed;
    const common = commonOn(closed);
    const until = removalOf(
      sequence,
      index,
      { border, closed },
      common.until,
      edgeOff(sequence, index, { border, closed }).uncover,
    );
    const own = [part.id, 'rim', `${place.edge}`, `${problem.areas[free]!.id}|${problem.areas[closed]!.id}`];
    const id = name(...own);
    return runs.map(({ cleanHours, ...how }, layer): RimLaid => {
      const item: SurroundingsItem = {
        ...common,
        until,
        ...how,
        id: layer === 0 ? id : name(...own, 'outline'),
        kind: 'rim',
        code: layer === 0 ? code : `${code}b`,
        part: part.id,
        edge: place.edge,
        edgeName: edgeNameOf(place.rim, setOut.board.drawn.edges[place.edge]!.name),
        beyond: place.rim.beyond as SurroundingsItem['beyond'],
        beside: areaIds[beside - source.starts.areas[place.part]!]!,
        on: problem.areas[closed]!.id,
        from: place.from,
        to: place.to,
        edgeMm: pathLength(place.path),
        count: part.count,
        after: layer === 0 ? [] : [id],
        ...(layer === 0 ? {} : { outlines: id }),
        ...(layer === 0 ? first : second),
      };
      return { item, cleanHours };
    });
  }
}
