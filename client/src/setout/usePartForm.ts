import {
  attachedParts,
  detachedPart,
  edgeGroups,
  type Part,
  partFrame,
  type Place,
  unusedId,
  withoutPart,
  withPart,
} from '@lintrel/core';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptState } from '@/forms/keptForm';
import { type TreeKeys, type TypedTree, withTree } from '@/forms/tree';
import { useJob } from '@/job/JobContext';
import { newPart, partTree, readPart } from './partForm';
import { contextEntries, contextKinds } from './SurroundingsForm';
import { useDraftParts } from './useDraftParts';

/** The form of a part: what is typed, the part drawn from it, the edge chosen on it, and saving and removing it. */
export function usePartForm(partId: string) {
  const { id, design, change, unit } = useJob();
  const part = design.parts.find((other) => other.id === partId) ?? null;
  const [ownId] = useState(
    () =>
      part?.id ??
      unusedId(
        'part',
        design.parts.map((other) => other.id),
      ),
  );
  const [tree, setTree, kept] = useKeptState(`part/${id}/${partId}`, () =>
    partTree(part ? withAttached(part, design.parts) : newPart(ownId), unit, part === null),
  );
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const put = (keys: TreeKeys, value: TypedTree) => {
    setTree((now) => withTree(now, keys, value));
    setFaults({});
  };
  const read = readPart(tree, part?.lines ?? [], { bare: unit, scale: design.scale }, design);
  const drawn =
    useDraftParts(read.ok ? withPart(design, read.part) : design)?.find((other) => other.id === ownId) ?? null;
  // Known at once, so that nothing moves when the drawing arrives.
  const known = part && { ring: partFrame(part, design.parts).drawn.ring.map(({ x, y }): Place => [x, y]) };
  const [group, setGroup] = useState<number | null>(null);
  const groups = edgeGroups(drawn?.edgePlaces ?? []);
  const edges = {
    beyond: contextKinds(tree),
    chosen: group === null ? [] : (groups[group] ?? []),
    onEdge: (edge: number) => setGroup(groups.findIndex((groupEdges) => groupEdges.includes(edge))),
  };
  const leave = (to: string) => router.replace(`/job/${id}/${to}` as Href);
  const submit = async () => {
    if (!read.ok) {
      // A fault of an edge is shown at its entry.
      const rimIndex = Object.keys(read.faults).flatMap((path) => /^rims\[(\d+)\]/.exec(path)?.[1] ?? [])[0];
      const edge = rimIndex === undefined ? null : Number(contextEntries(tree)[Number(rimIndex)]?.edge);
      if (edge !== null) setGroup(groups.findIndex((groupEdges) => groupEdges.includes(edge)));
      setFaults(read.faults);
      return showFirstFault();
    }
    const changed = detachedPart(read.part, part, design.parts);
    const done = await change((now) => withPart(now, changed), {
      code: part ? 'edit.part-changed' : 'edit.part-added',
      values: { name: changed.name },
    });
    if (done) kept.forget();
    if (done) leave(part ? 'piece' : `lines?part=${ownId}`);
  };
  const remove = async () => {
    if (
      await change(
        (now) => withoutPart(now, partId),
        { code: 'edit.part-gone', values: { name: part?.name ?? '' } },
        true,
      )
    ) {
      kept.forget();
      leave('piece');
    }
  };
  return {
    part,
    others: design.parts.filter((other) => other.id !== ownId),
    tree: { tree, faults, unit, put },
    kept,
    drawn,
    known,
    groups,
    group,
    chooseGroup: setGroup,
    edges,
    submit,
    remove,
  };
}

/** A part with all its attachments, whichever side they are stored on. */
const withAttached = (part: Part, parts: readonly Part[]): Part => ({
  ...part,
  attached: [...(attachedParts(parts.map(({ id, attached }) => ({ id, attached }))).get(part.id) ?? [])],
});
