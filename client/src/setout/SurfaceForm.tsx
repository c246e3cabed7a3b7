import { SURFACE_KINDS, type SurfaceKind, unusedId } from '@lintrel/core';
import { phrase, SURFACE_NAMES } from '@lintrel/words';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton, Switch } from 'react-native-paper';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { treeAt, type TreeKeys, type TypedTree, without } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Body, Small } from '@/ui/Typography';
import { emptyOutline, emptySurface } from './partForm';

const SURFACE: TreeKeys = ['surface'];
const SHAPES = [
  { value: 'rectangle', label: 'Width × height' },
  { value: 'polygon', label: 'Corner by corner' },
  { value: 'disc', label: 'Disc' },
  { value: 'curved', label: 'With round edges' },
] as const;

/** What kind of surface the part has, and its measurements. */
export function SurfaceForm() {
  const { tree, put } = useTree();
  const kind = treeAt(tree, ['surface', 'kind']) as SurfaceKind;
  const Measurements = FORMS[kind];
  return (
    <>
      <Choice
        label="Surface"
        value={kind}
        options={SURFACE_KINDS.map((value) => ({ value, label: SURFACE_NAMES[value] }))}
        onChange={(value) => put(SURFACE, emptySurface(value))}
      />
      <Measurements />
    </>
  );
}

const TubeForm = () => (
  <FieldRow>
    <TreeField at={['surface', 'diameter']} label="Diameter" unit="length" testID="diameter" />
    <TreeField at={['surface', 'length']} label="Length" unit="length" testID="length" />
  </FieldRow>
);

const ConeForm = () => (
  <FieldRow>
    <TreeField at={['surface', 'd1']} label="Diameter at the near end" unit="length" testID="d1" />
    <TreeField at={['surface', 'd2']} label="At the far end" unit="length" testID="d2" />
    <TreeField at={['surface', 'length']} label="Length along the axis" unit="length" testID="length" />
  </FieldRow>
);

/** What is measured of each kind of surface. */
const FORMS: Readonly<Record<SurfaceKind, () => ReactNode>> = {
  flat: () => <OutlineForm at={['surface', 'outline']} />,
  tube: TubeForm,
  cone: ConeForm,
  turned: ProfileForm,
  folded: PanelsForm,
};

function OutlineForm({ at }: { at: TreeKeys }) {
  const { tree, put } = useTree();
  const shape = treeAt(tree, [...at, 'kind']) as (typeof SHAPES)[number]['value'];
  return (
    <>
      <Choice label="Shape" value={shape} options={SHAPES} onChange={(value) => put(at, emptyOutline(value))} />
      {shape === 'rectangle' ? (
        <FieldRow>
          <TreeField
            at={[...at, 'width']}
            label="Width"
            unit="length"
            hint={'18mm, 1.2 m, 3 1/2" also do'}
            testID="width"
          />
          <TreeField at={[...at, 'height']} label="Height" unit="length" testID="height" />
        </FieldRow>
      ) : null}
      {shape === 'disc' ? (
        <TreeField
          at={[...at, 'diameter']}
          label="Diameter; 0, 0 is its middle"
          unit="length"
          whole
          testID="diameter"
        />
      ) : null}
      {shape === 'polygon' ? (
        <Pairs
          at={[...at, 'points']}
          least={3}
          name={(index) => phrase`Corner ${index + 1}`}
          words={['right', 'up']}
          more="Another corner"
          empty={['', '']}
        />
      ) : null}
      {shape === 'curved' ? <EdgesForm at={at} words={['right', 'up']} first="Starts at" /> : null}
    </>
  );
}

/** A list of places, each two numbers. */
function Pairs({
  at,
  least,
  name,
  words,
  more,
  empty,
}: {
  at: TreeKeys;
  least: number;
  name: (index: number) => string;
  words: readonly [string, string];
  more: string;
  empty: TypedTree;
}) {
  const { tree, put } = useTree();
  const items = (treeAt(tree, at) ?? []) as readonly TypedTree[];
  return (
    <>
      {items.map((_, index) => (
        <FieldRow key={index}>
          <TreeField at={[...at, index, 0]} label={phrase`${name(index)}: ${words[0]}`} unit="length" />
          <TreeField at={[...at, index, 1]} label={words[1]} unit="length" />
          {items.length > least ? <TakeOut what={name(index)} onPress={() => put(at, without(items, index))} /> : null}
        </FieldRow>
      ))}
      <Action label={more} icon="plus" onPress={() => put(at, [...items, empty])} />
    </>
  );
}

/** Straight and round edges one after another: of an outline, or of the profile of a turned piece. */
function EdgesForm({ at, words, first }: { at: TreeKeys; words: readonly [string, string]; first: string }) {
  const { text } = useWords();
  const { tree, put } = useTree();
  const edges = (treeAt(tree, [...at, 'edges']) ?? []) as readonly { readonly [key: string]: TypedTree }[];
  const putEdges = (next: TypedTree) => put([...at, 'edges'], next);
  return (
    <>
      <FieldRow>
        <TreeField at={[...at, 'start', 0]} label={phrase`${first}: ${words[0]}`} unit="length" />
        <TreeField at={[...at, 'start', 1]} label={words[1]} unit="length" />
      </FieldRow>
      {edges.map((edge, index) => (
        <View key={index} style={styles.edge}>
          <FieldRow>
            <TreeField
              at={[...at, 'edges', index, 'to', 0]}
              label={phrase`${index + 1}, on to: ${words[0]}`}
              unit="length"
            />
            <TreeField at={[...at, 'edges', index, 'to', 1]} label={words[1]} unit="length" />
            {edges.length > 2 ? (
              <TakeOut what={phrase`edge ${index + 1}`} onPress={() => putEdges(without(edges, index))} />
            ) : null}
          </FieldRow>
          <View style={styles.switch}>
            <Switch
              value={edge.through !== undefined}
              onValueChange={(round) =>
                putEdges(
                  edges.map((panelEdge, other) =>
                    other === index ? { to: panelEdge.to, ...(round ? { through: ['', ''] } : {}) } : panelEdge,
                  ),
                )
              }
              accessibilityLabel={text(phrase`Edge ${index + 1} is round`)}
            />
            <Small>Round, through</Small>
          </View>
          {edge.through === undefined ? null : (
            <FieldRow>
              <TreeField at={[...at, 'edges', index, 'through', 0]} label={words[0]} unit="length" />
              <TreeField at={[...at, 'edges', index, 'through', 1]} label={words[1]} unit="length" />
            </FieldRow>
          )}
        </View>
      ))}
      <Action label="Another edge" icon="plus" onPress={() => putEdges([...edges, { to: ['', ''] }])} />
    </>
  );
}

function ProfileForm() {
  const { text } = useWords();
  const { tree, put } = useTree();
  const smooth = treeAt(tree, ['surface', 'profile', 'smooth']) === true;
  return (
    <>
      <Body>Pairs of length along the axis and radius, from one end to the other.</Body>
      <View style={styles.switch}>
        <Switch
          value={smooth}
          onValueChange={(on) => put(['surface', 'profile', 'smooth'], on)}
          accessibilityLabel={text('One smooth curve through all pairs')}
        />
        <Body>One smooth curve through all pairs</Body>
      </View>
      <EdgesForm at={['surface', 'profile']} words={['along', 'radius']} first="Near end" />
    </>
  );
}

/** Flat panels; all but the first hang on an edge of another. */
function PanelsForm() {
  const { tree, put } = useTree();
  const keys: TreeKeys = ['surface', 'panels'];
  const panels = (treeAt(tree, keys) ?? []) as readonly { readonly [key: string]: TypedTree }[];
  const add = () => {
    const number = panels.length + 1;
    const fold = { on: String(panels[0]?.id ?? ''), edge: '2', own: '4', angleDeg: '90', radius: '2' };
    put(keys, [
      ...panels,
      {
        id: unusedId(
          'panel',
          panels.map(({ id }) => String(id)),
        ),
        name: `Panel ${number}`,
        outline: { kind: 'rectangle', width: '', height: '' },
        fold: shifted(fold, -1),
      },
    ]);
  };
  return (
    <>
      <Small>Edges are counted from 0: of a rectangle 0 is the lower, 1 the right, 2 the upper, 3 the left one.</Small>
      {panels.map((panel, index) => (
        <View key={String(panel.id)} style={styles.edge}>
          <FieldRow>
            <TreeField at={[...keys, index, 'name']} label={phrase`Panel ${index + 1}`} />
            {index > 0 ? (
              <TakeOut what={phrase`panel ${index + 1}`} onPress={() => put(keys, without(panels, index))} />
            ) : null}
          </FieldRow>
          <OutlineForm at={[...keys, index, 'outline']} />
          {index > 0 ? (
            <>
              <Pick
                label="Hangs on"
                value={String(treeAt(tree, [...keys, index, 'fold', 'on']) ?? '')}
                options={panels.slice(0, index).map(({ id, name }) => ({ value: String(id), label: String(name) }))}
                onChange={(on) => put([...keys, index, 'fold', 'on'], on)}
              />
              <FieldRow>
                <TreeField at={[...keys, index, 'fold', 'edge']} label="On its edge" numeric />
                <TreeField at={[...keys, index, 'fold', 'own']} label="With its own edge" numeric />
                <TreeField at={[...keys, index, 'fold', 'angleDeg']} label="Folded back by" unit="°" />
                <TreeField at={[...keys, index, 'fold', 'radius']} label="Radius of the bend" unit="length" />
              </FieldRow>
            </>
          ) : null}
        </View>
      ))}
      <Action label="Another panel" icon="plus" onPress={add} />
    </>
  );
}

const shifted = ({ edge, own, ...rest }: Record<string, string>, by: number): TypedTree => ({
  ...rest,
  edge: String(Number(edge) + by),
  own: String(Number(own) + by),
});

/** Takes one entry out of a list. */
export const TakeOut = ({ what, onPress }: { what: string; onPress: () => void }) => {
  const { text } = useWords();
  return (
    <IconButton
      icon="close"
      accessibilityLabel={text(phrase`Take out ${what.toLowerCase()}`)}
      onPress={onPress}
      style={styles.remove}
    />
  );
};

const styles = StyleSheet.create({
  edge: { gap: space.small },
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
  remove: { width: measure.target, height: measure.target, margin: 0 },
});
