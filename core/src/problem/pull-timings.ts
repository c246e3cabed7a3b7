import { type Finish, PULL_TIMINGS, type PullTiming } from '../finish';
import type { Design, PullPin } from '../job';
import type { FinishId, PartId } from '../kit';
import type { ResolvedLine } from '../lines';
import type { PartWork } from '../setout';
import type { LinePullTimings, OrderProblem } from '../stage';
import { partOffsets } from './part-offsets';

/** The pull timing a person has chosen for a line, or for the line of the list it belongs to. */
export const pullPinOf = (
  pins: readonly PullPin[],
  part: PartId,
  { id, owner }: Pick<ResolvedLine, 'id' | 'owner'>,
): PullPin | undefined => pins.find((pin) => pin.part === part && (pin.line === id || pin.line === owner));

/** Pull timings of what is put on a part. */
export function timingsOn(
  { finishes: own }: PartWork,
  { scheme, choices }: Design,
  finishes: ReadonlyMap<FinishId, Finish>,
): PullTiming[] {
  const ids = own.flatMap((id) => id ?? []);
  const all = ids.length === 0 ? [] : [...ids, scheme.primer, scheme.clear];
  return all.flatMap((id) => {
    const finish = id === undefined ? undefined : finishes.get(id);
    return finish ? [choices.school ?? finish.school] : [];
  });
}

/** Schools chosen for single lines; a strip that is one tape has one for all its edges, the first that is chosen. */
export function linePulls(works: readonly PartWork[], pins: readonly PullPin[]): Pick<OrderProblem, 'pulls'> {
  if (pins.length === 0) return {};
  const { areas, borders } = partOffsets(works);
  const byBorder = new Map<number, PullTiming>();
  const byArea = new Map<number, PullTiming>();
  works.forEach(({ part, arrangement, lines }, number) =>
    arrangement.borders.forEach(({ line, left, right }, border) => {
      const owner = lines.find(({ id }) => id === line)?.owner ?? line;
      const pin = pullPinOf(pins, part.id, { id: line, owner });
      if (!pin) return;
      byBorder.set(borders[number]! + border, pin.school);
      for (const area of [left, right])
        if (!byArea.has(areas[number]! + area)) byArea.set(areas[number]! + area, pin.school);
    }),
  );
  if (byBorder.size === 0) return {};
  const timingsOf: LinePullTimings['of'] = ({ border, closed, strip }) =>
    (strip ? byArea.get(closed) : byBorder.get(border)) ?? null;
  return {
    pulls: { of: timingsOf, schools: PULL_TIMINGS.filter((school) => [...byBorder.values()].includes(school)) },
  };
}
