import { RIM_KINDS, type Design, type EdgeName, type RimKind } from '@lintrel/core';
import { phrase, RIM_MEANINGS, RIM_NAMES } from '@lintrel/words';
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { Pick } from '@/forms/Pick';
import { treeAt, type TypedTree } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Row, Rows, Unfolded } from '@/ui/Row';
import { Body, Small } from '@/ui/Words';

type Entry = { readonly [key: string]: TypedTree };

/** Rims as they stand in the form. */
export const rimEntries = (tree: TypedTree): readonly Entry[] => (treeAt(tree, ['rims']) ?? []) as readonly Entry[];

/** What lies beyond each edge, by its number. */
export const beyondEdges = (tree: TypedTree): ReadonlyMap<number, RimKind> =>
  new Map(rimEntries(tree).map(({ edge, beyond }) => [Number(edge), beyond as RimKind]));

interface RimsFormProps {
  /** Edges of the part as a person sees them: those that go on into one another are one. */
  readonly groups: readonly (readonly number[])[];
  readonly names: readonly EdgeName[];
  readonly others: Design['parts'];
  /** The edge that is spoken of, by its group. */
  readonly chosen: number | null;
  readonly onChoose: (group: number | null) => void;
}

/** What lies beyond the edges of a part: tap an edge, on the drawing or here, and say it. */
export function RimsForm({ groups, names, others, chosen, onChoose }: RimsFormProps) {
  const { tree, put } = useTree();
  const { say } = useWords();
  const rims = rimEntries(tree);
  const kinds = beyondEdges(tree);
  const ofGroup = (group: readonly number[]) => rims.find(({ edge }) => Number(edge) === group[0]);
  const set = (edges: readonly number[], entry: Entry | null) => {
    const rest = rims.filter(({ edge }) => !edges.includes(Number(edge)));
    // What is said of a stretch of one edge says nothing of others.
    const { from: _from, to: _to, ...whole } = entry ?? {};
    const told = entry === null || entry.beyond === 'free' ? [] : edges.map((edge) => ({ ...(edges.length === 1 ? entry : whole), edge: String(edge) }));
    put(
      ['rims'],
      [...rest, ...told].sort((a, b) => Number(a.edge) - Number(b.edge)),
    );
  };
  const entryFor = (beyond: RimKind): Entry => ({
    beyond,
    ...(beyond === 'gap' ? { width: '5', depth: '25' } : {}),
    ...(beyond === 'goes-on' ? { part: others[0]?.id } : {}),
  });
  // The first of several edges is typed into; the others follow it.
  const [open] = groups.slice(chosen ?? groups.length, (chosen ?? groups.length) + 1);
  useEffect(() => {
    const first = open && ofGroup(open);
    if (!first || !open) return;
    const text = JSON.stringify({ ...first, edge: '' });
    const differs = rims.some((rim) => open.includes(Number(rim.edge)) && JSON.stringify({ ...rim, edge: '' }) !== text);
    if (differs) set(open, first);
  });
  const offered = RIM_KINDS.filter((kind) => kind !== 'goes-on' || others.length > 0);
  return (
    <>
      <Small>Tap an edge on the drawing, or here, and say what is beyond it: it decides whether tape goes round it, foam goes in, or film hangs from it.</Small>
      <Rows>
        {groups.map((group, index) => {
          const own = ofGroup(group);
          const kind = kinds.get(group[0]!) ?? 'free';
          const name = names[group[0]!];
          const at = rims.findIndex(({ edge }) => Number(edge) === group[0]);
          const label = phrase`${name ? say(name) : ''}${group.length > 1 ? phrase` and ${group.length - 1} more that go on from it` : ''}`;
          return (
            <View key={group.join(' ')}>
              <Row
                label={phrase`${label}: ${RIM_NAMES[kind]}`}
                chosen={index === chosen}
                onPress={() => onChoose(index === chosen ? null : index)}
                testID={`rim-${index}`}
              >
                <Body>{label}</Body>
                <Small>{RIM_NAMES[kind]}</Small>
              </Row>
              {index === chosen ? (
                <Unfolded>
                  <Rows>
                    {offered.map((one) => (
                      <Row key={one} label={RIM_NAMES[one]} chosen={one === kind} onPress={() => set(group, entryFor(one))} testID={`beyond-${one}`}>
                        <Body>{RIM_NAMES[one]}</Body>
                        <Small>{RIM_MEANINGS[one]}</Small>
                      </Row>
                    ))}
                  </Rows>
                  {kind === 'gap' ? (
                    <View style={styles.row}>
                      <TreeField at={['rims', at, 'width']} label="Width of the gap" unit="length" testID="gap-width" />
                      <TreeField at={['rims', at, 'depth']} label="Its depth" unit="length" />
                    </View>
                  ) : null}
                  {kind === 'goes-on' || kind === 'gap' || kind === 'butt' ? (
                    <Pick
                      label="Which part is there"
                      value={String(own?.part ?? '')}
                      options={[
                        ...(kind === 'goes-on' ? [] : [{ value: '', label: 'None of this job: it stays clean' }]),
                        ...others.map(({ id, name: other }) => ({ value: id, label: other })),
                      ]}
                      onChange={(part) => own && set(group, { ...own, part: part === '' ? undefined : part })}
                    />
                  ) : null}
                  {kind !== 'free' && group.length === 1 ? (
                    <View style={styles.row}>
                      <TreeField
                        at={['rims', at, 'from']}
                        label="Only from"
                        unit="length"
                        optional
                        hint="Along the edge; empty: from its beginning"
                        testID="rim-from"
                      />
                      <TreeField at={['rims', at, 'to']} label="Only to" unit="length" optional hint="Empty: to its end" testID="rim-to" />
                    </View>
                  ) : null}
                  {groups.length > 1 ? <Action label="The same at every edge" onPress={() => set(groups.flat(), own ?? null)} testID="every-edge" /> : null}
                </Unfolded>
              ) : null}
            </View>
          );
        })}
      </Rows>
    </>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' } });
