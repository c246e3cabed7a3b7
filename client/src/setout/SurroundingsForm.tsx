import { type Design, type EdgeName, type EdgeContextKind } from '@lintrel/core';
import { phrase, EDGE_CONTEXT_NAMES } from '@lintrel/words';
import { useEffect, useState } from 'react';
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

interface RimsFormProps {
  /** Edges of the part as people see them: edges that continue into one another are one. */
  readonly groups: readonly (readonly number[])[];
  readonly names: readonly EdgeName[];
  readonly others: Design['parts'];
  /** The selected edge, by its group. */
  readonly chosen: number | null;
  readonly onChoose: (group: number | null) => void;
}

/** Edge contexts of a part: tap an edge on the drawing or in the list; an edge may have several stretches. */
export function SurroundingsForm({ groups, names, others, chosen, onChoose }: RimsFormProps) {
  const { tree, faults, put } = useTree();
  const { say } = useWords();
  const [stretch, setStretch] = useState(0);
  const rims = contextEntries(tree);
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
  const entryFor = (beyond: EdgeContextKind): ContextEntry => ({
    beyond,
    ...(beyond === 'gap' ? { width: '5', depth: '25' } : {}),
    ...(beyond === 'goes-on' ? { part: others[0]?.id } : {}),
  });
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
      <Small>
        Tap an edge on the drawing, or here, and say what is beyond it: it decides whether tape goes round it, foam goes
        in, or film hangs from it.
      </Small>
      <Rows>
        {groups.map((group, index) => {
          const groupRims = ofGroup(group);
          const name = names[group[0]!];
          const label = phrase`${name ? say(name) : ''}${group.length > 1 ? phrase` and ${group.length - 1} more that go on from it` : ''}`;
          const kinds =
            groupRims.length === 0
              ? EDGE_CONTEXT_NAMES.free
              : groupRims.map(({ beyond }) => EDGE_CONTEXT_NAMES[beyond as EdgeContextKind]).join(' · ');
          const shown = Math.min(stretch, Math.max(0, groupRims.length - 1));
          const entry = groupRims[shown] ?? null;
          const first = rims.findIndex(({ edge }) => Number(edge) === group[0]);
          // Changes the shown entry; null removes it.
          const change = (next: ContextEntry | null) =>
            set(
              group,
              groupRims.length === 0
                ? [next ?? { beyond: 'free' }]
                : groupRims.flatMap((rim, rimIndex): ContextEntry[] =>
                    rimIndex !== shown ? [rim] : next ? [next] : [],
                  ),
            );
          return (
            <View key={group.join(' ')}>
              <Row
                label={phrase`${label}: ${kinds}`}
                chosen={index === chosen}
                onPress={() => onChoose(index === chosen ? null : index)}
                testID={`rim-${index}`}
              >
                <Body>{label}</Body>
                <Small>{kinds}</Small>
              </Row>
              {index === chosen ? (
                <Unfolded>
                  {groupRims.length > 1 ? (
                    <Rows>
                      {groupRims.map((rim, rimIndex) => (
                        <Row
                          key={rimIndex}
                          label={phrase`Stretch ${rimIndex + 1}: ${EDGE_CONTEXT_NAMES[rim.beyond as EdgeContextKind]}`}
                          chosen={rimIndex === shown}
                          onPress={() => setStretch(rimIndex)}
                          testID={`stretch-${rimIndex}`}
                        >
                          <Body>{phrase`Stretch ${rimIndex + 1}`}</Body>
                          <Small>{phrase`${EDGE_CONTEXT_NAMES[rim.beyond as EdgeContextKind]}, from ${String(rim.from || 'its beginning')} to ${String(rim.to || 'its end')}`}</Small>
                        </Row>
                      ))}
                    </Rows>
                  ) : null}
                  <SurroundingsStretch
                    entry={entry}
                    at={first + shown}
                    others={others}
                    mayBeShort={group.length === 1}
                    onKind={(kind) => change(kind === 'free' ? null : { ...entryFor(kind), ...stretchOf(entry) })}
                    onPart={(part) => entry && change({ ...entry, part })}
                  />
                  {entry && group.length === 1 ? (
                    <Action
                      label="Another stretch of this edge"
                      icon="plus"
                      rank="quiet"
                      onPress={() => {
                        // It begins where the last one ends.
                        set(group, [
                          ...groupRims,
                          { ...entryFor('body'), ...(groupRims.at(-1)?.to ? { from: groupRims.at(-1)!.to } : {}) },
                        ]);
                        setStretch(groupRims.length);
                      }}
                      testID="rim-more"
                    />
                  ) : null}
                  {groups.length > 1 ? (
                    <Action
                      label="The same at every edge"
                      onPress={() => set(groups.flat(), groupRims.slice(0, 1))}
                      testID="every-edge"
                    />
                  ) : null}
                </Unfolded>
              ) : null}
            </View>
          );
        })}
      </Rows>
    </>
  );
}

/** From where to where along its edge an entry holds. */
const stretchOf = (entry: ContextEntry | null): ContextEntry =>
  Object.fromEntries(Object.entries(entry ?? {}).filter(([key]) => key === 'from' || key === 'to'));
