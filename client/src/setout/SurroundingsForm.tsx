import { type Design, type EdgeContextKind, type EdgeName } from '@lintrel/core';
import { EDGE_CONTEXT_NAMES, phrase } from '@lintrel/words';
import { type PropsWithChildren, useEffect, useState } from 'react';
import { View } from 'react-native';
import { treeAt, type TypedTree } from '@/forms/tree';
import { useTree } from '@/forms/TreeField';
import { useWords } from '@/person/PersonContext';
import { Action } from '@/ui/Action';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Body, Small } from '@/ui/Typography';
import { SurroundingsStretch } from './SurroundingsStretch';

/** An edge context in the form. */
export type ContextEntry = { readonly [key: string]: TypedTree };

/** Edge contexts in the form. */
export const contextEntries = (tree: TypedTree): readonly ContextEntry[] =>
  (treeAt(tree, ['rims']) ?? []) as readonly ContextEntry[];

/** What lies beyond each edge, by its number; of an edge in several stretches, the first. */
export const contextKinds = (tree: TypedTree): ReadonlyMap<number, EdgeContextKind> =>
  new Map([...contextEntries(tree)].reverse().map(({ edge, beyond }) => [Number(edge), beyond as EdgeContextKind]));

interface SurroundingsFormProps {
  /** Edges of the part as people see them: edges that continue into one another are one. */
  readonly groups: readonly (readonly number[])[];
  readonly names: readonly EdgeName[];
  readonly others: Design['parts'];
  /** The selected edge, by its group. */
  readonly chosen: number | null;
  readonly onChoose: (group: number | null) => void;
}

/** Edge contexts of a part: tap an edge on the drawing or in the list; an edge may have several stretches. */
export function SurroundingsForm({ groups, names, others, chosen, onChoose }: SurroundingsFormProps) {
  const { tree, faults, put } = useTree();
  const [stretch, setStretch] = useState(0);
  const rims = contextEntries(tree);
  const opposite = (treeAt(tree, ['opposite']) ?? {}) as ContextEntry;
  const followed = opposite.follows === true ? others.find(({ id }) => id === opposite.of) : undefined;
  const ofGroup = (group: readonly number[]) => rims.filter(({ edge }) => Number(edge) === group[0]);
  useEffect(() => setStretch(0), [chosen]);
  // A refused entry is shown, and stays while it is edited.
  const wrong = Object.keys(faults).flatMap((path) => Number(/^rims\[(\d+)\]/.exec(path)?.[1] ?? []))[0];
  useEffect(() => {
    const group = groups[chosen ?? groups.length];
    if (wrong !== undefined && group) setStretch(Math.max(0, ofGroup(group).indexOf(rims[wrong] ?? {})));
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, wrong]);
  const set = (edges: readonly number[], entries: readonly ContextEntry[]) => {
    const rest = rims.filter(({ edge }) => !edges.includes(Number(edge)));
    const notFree = entries.filter(({ beyond }) => beyond !== 'free');
    // Stretches of one edge do not apply to others.
    const kept = edges.length === 1 ? notFree : notFree.slice(0, 1).map(({ from: _from, to: _to, ...whole }) => whole);
    put(
      ['rims'],
      [...rest, ...edges.flatMap((edge) => kept.map((entry): ContextEntry => ({ ...entry, edge: String(edge) })))].sort(
        (a, b) => Number(a.edge) - Number(b.edge),
      ),
    );
  };
  // The first of several edges is typed into; the others follow it.
  const [open] = groups.slice(chosen ?? groups.length, (chosen ?? groups.length) + 1);
  useEffect(() => {
    const [first] = open ? ofGroup(open) : [];
    if (!first || !open || open.length === 1) return;
    const text = JSON.stringify({ ...first, edge: '' });
    const differs = rims.some(
      (rim) => open.includes(Number(rim.edge)) && JSON.stringify({ ...rim, edge: '' }) !== text,
    );
    if (differs) set(open, [first]);
  });
  return (
    <>
      {followed && treeAt(tree, ['rims']) === undefined ? (
        <Body>{phrase`As on ${followed.name}, mirrored, until something is said here.`}</Body>
      ) : null}
      <Small>
        Tap an edge on the drawing, or here, and say what is beyond it: it decides whether tape goes round it, foam goes
        in, or film hangs from it.
      </Small>
      <Rows>
        {groups.map((group, index) => (
          <EdgeRow
            key={group.join(' ')}
            index={index}
            group={group}
            name={names[group[0]!]}
            entries={ofGroup(group)}
            chosen={index === chosen}
            onPress={() => onChoose(index === chosen ? null : index)}
          >
            <EdgeStretches
              group={group}
              entries={ofGroup(group)}
              first={rims.findIndex(({ edge }) => Number(edge) === group[0])}
              stretch={stretch}
              others={others}
              onStretch={setStretch}
              onEntries={(entries) => set(group, entries)}
              onEverywhere={groups.length > 1 ? () => set(groups.flat(), ofGroup(group).slice(0, 1)) : null}
            />
          </EdgeRow>
        ))}
      </Rows>
    </>
  );
}

const kindsOf = (entries: readonly ContextEntry[]): string =>
  entries.length === 0
    ? EDGE_CONTEXT_NAMES.free
    : entries.map(({ beyond }) => EDGE_CONTEXT_NAMES[beyond as EdgeContextKind]).join(' · ');

interface EdgeRowProps {
  readonly index: number;
  readonly group: readonly number[];
  readonly name: EdgeName | undefined;
  readonly entries: readonly ContextEntry[];
  readonly chosen: boolean;
  readonly onPress: () => void;
}

/** An edge and what is beyond it; chosen, with its fields below. */
function EdgeRow({ index, group, name, entries, chosen, onPress, children }: PropsWithChildren<EdgeRowProps>) {
  const { say } = useWords();
  const label = phrase`${name ? say(name) : ''}${group.length > 1 ? phrase` and ${group.length - 1} more that go on from it` : ''}`;
  const kinds = kindsOf(entries);
  return (
    <View>
      <Row label={phrase`${label}: ${kinds}`} chosen={chosen} onPress={onPress} testID={`rim-${index}`}>
        <Body>{label}</Body>
        <Small>{kinds}</Small>
      </Row>
      {chosen ? <Unfolded>{children}</Unfolded> : null}
    </View>
  );
}

/** A new entry with its usual values. */
const entryFor = (beyond: EdgeContextKind, others: Design['parts']): ContextEntry => ({
  beyond,
  ...(beyond === 'gap' ? { width: '5', depth: '25' } : {}),
  ...(beyond === 'goes-on' ? { part: others[0]?.id } : {}),
});

interface EdgeStretchesProps {
  readonly group: readonly number[];
  /** What is beyond the edge, stretch by stretch; empty: nothing. */
  readonly entries: readonly ContextEntry[];
  /** Index of its first entry among those of the part. */
  readonly first: number;
  readonly stretch: number;
  readonly others: Design['parts'];
  readonly onStretch: (stretch: number) => void;
  readonly onEntries: (entries: readonly ContextEntry[]) => void;
  /** Null: there is no other edge. */
  readonly onEverywhere: (() => void) | null;
}

/** What is beyond one edge: the stretch that is shown, another one, the same at every edge. */
function EdgeStretches({
  group,
  entries,
  first,
  stretch,
  others,
  onStretch,
  onEntries,
  onEverywhere,
}: EdgeStretchesProps) {
  const shown = Math.min(stretch, Math.max(0, entries.length - 1));
  const entry = entries[shown] ?? null;
  // Changes the shown entry; null removes it.
  const change = (next: ContextEntry | null) =>
    onEntries(
      entries.length === 0
        ? [next ?? { beyond: 'free' }]
        : entries.flatMap((other, index): ContextEntry[] => (index !== shown ? [other] : next ? [next] : [])),
    );
  const another = () => {
    // It begins where the last one ends.
    const from = entries.at(-1)?.to;
    onEntries([...entries, { ...entryFor('body', others), ...(from ? { from } : {}) }]);
    onStretch(entries.length);
  };
  return (
    <>
      {entries.length > 1 ? <StretchList entries={entries} shown={shown} onStretch={onStretch} /> : null}
      <SurroundingsStretch
        entry={entry}
        at={first + shown}
        others={others}
        mayBeShort={group.length === 1}
        onKind={(kind) => change(kind === 'free' ? null : { ...entryFor(kind, others), ...stretchOf(entry) })}
        onPart={(part) => entry && change({ ...entry, part })}
        onBy={(by) => entry && change({ ...entry, by })}
      />
      {entry && group.length === 1 ? (
        <Action label="Another stretch of this edge" icon="plus" rank="quiet" onPress={another} testID="rim-more" />
      ) : null}
      {onEverywhere ? <Action label="The same at every edge" onPress={onEverywhere} testID="every-edge" /> : null}
    </>
  );
}

function StretchList({
  entries,
  shown,
  onStretch,
}: {
  readonly entries: readonly ContextEntry[];
  readonly shown: number;
  readonly onStretch: (stretch: number) => void;
}) {
  return (
    <Rows>
      {entries.map(({ beyond, from, to }, index) => (
        <Row
          key={index}
          label={phrase`Stretch ${index + 1}: ${EDGE_CONTEXT_NAMES[beyond as EdgeContextKind]}`}
          chosen={index === shown}
          onPress={() => onStretch(index)}
          testID={`stretch-${index}`}
        >
          <Body>{phrase`Stretch ${index + 1}`}</Body>
          <Small>{phrase`${EDGE_CONTEXT_NAMES[beyond as EdgeContextKind]}, from ${String(from || 'its beginning')} to ${String(to || 'its end')}`}</Small>
        </Row>
      ))}
    </Rows>
  );
}

/** From where to where along its edge an entry holds. */
const stretchOf = (entry: ContextEntry | null): ContextEntry =>
  Object.fromEntries(Object.entries(entry ?? {}).filter(([key]) => key === 'from' || key === 'to'));
