import { FEATURE_KINDS, type FeatureKind, OPENING_USES, unusedId } from '@lintrel/core';
import { FEATURE_NAMES, OPENING_NAMES, phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { treeAt, type TreeKeys, type TypedTree, without } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Body } from '@/ui/Typography';
import { TakeOut } from './SurfaceForm';

type Entry = { readonly [key: string]: TypedTree };
const place = (): TypedTree => ({ along: '', above: '' });

const SHAPES: Readonly<Record<string, () => TypedTree>> = {
  round: () => ({ kind: 'round', at: place(), diameter: '' }),
  window: () => ({ kind: 'window', at: place(), width: '', height: '', corner: '0' }),
  corners: () => ({ kind: 'corners', points: [place(), place(), place()] }),
};

/** What an entry holds for its kind, besides id, name and datum. */
function rest(kind: FeatureKind): Entry {
  const row = { from: place(), to: place() };
  if (kind === 'raised-row') return { ...row, height: '2', pitch: '20' };
  if (kind === 'crease') return { ...row, bend: 'convex', angleDeg: '90', radius: '2' };
  const shape = { shape: SHAPES.round!() };
  if (kind === 'opening') return { ...shape, use: 'hole' };
  return kind === 'fresh-paint' ? { ...shape, ageH: '48' } : shape;
}

/** What a tape meets on the part: openings, rows, creases, zones. */
export function FeaturesForm() {
  const { tree, put } = useTree();
  const keys: TreeKeys = ['features'];
  const features = (treeAt(tree, keys) ?? []) as readonly Entry[];
  const datums = (treeAt(tree, ['datums']) ?? []) as readonly Entry[];
  const add = () => {
    const number = features.length + 1;
    put(keys, [
      ...features,
      {
        kind: 'opening',
        id: unusedId(
          'feature',
          features.map(({ id }) => String(id)),
        ),
        name: `Opening ${number}`,
        datum: datums[0]?.id ?? 'base',
        ...rest('opening'),
      },
    ]);
  };
  return (
    <>
      {features.length === 0 ? (
        <Body>Holes and windows, rivets, creases, rough places, and places no tape may touch.</Body>
      ) : null}
      {features.map((feature, index) => (
        <View key={String(feature.id)} style={styles.entry}>
          <Pick
            label={phrase`Feature ${index + 1}`}
            value={feature.kind as FeatureKind}
            options={FEATURE_KINDS.map((value) => ({ value, label: FEATURE_NAMES[value] }))}
            onChange={(kind) =>
              put([...keys, index], { kind, id: feature.id, name: feature.name, datum: feature.datum, ...rest(kind) })
            }
          />
          <FieldRow>
            <TreeField at={[...keys, index, 'name']} label="Name" testID={`feature-name-${index}`} />
            <TakeOut what={phrase`feature ${index + 1}`} onPress={() => put(keys, without(features, index))} />
          </FieldRow>
          <Pick
            label="Measured from"
            value={String(feature.datum)}
            options={datums.map(({ id, name }) => ({ value: String(id), label: String(name) }))}
            onChange={(datum) => put([...keys, index, 'datum'], datum)}
          />
          <FeatureFields at={[...keys, index]} feature={feature} />
        </View>
      ))}
      <Action label="Add a feature" icon="plus" onPress={add} />
    </>
  );
}

function FeatureFields({ at, feature }: { at: TreeKeys; feature: Entry }) {
  const { put } = useTree();
  const kind = feature.kind as FeatureKind;
  if (kind === 'raised-row' || kind === 'crease')
    return (
      <>
        <PlaceFields at={[...at, 'from']} name="From" />
        <PlaceFields at={[...at, 'to']} name="To" />
        {kind === 'raised-row' ? (
          <FieldRow>
            <TreeField at={[...at, 'height']} label="Stands up by" unit="length" />
            <TreeField at={[...at, 'pitch']} label="From one to the next" unit="length" />
          </FieldRow>
        ) : (
          <>
            <Choice
              label="Bends"
              value={String(feature.bend)}
              options={[
                { value: 'convex', label: 'outwards' },
                { value: 'concave', label: 'inwards' },
              ]}
              onChange={(bend) => put([...at, 'bend'], bend)}
            />
            <FieldRow>
              <TreeField at={[...at, 'angleDeg']} label="By" unit="°" />
              <TreeField at={[...at, 'radius']} label="Radius" unit="length" />
            </FieldRow>
          </>
        )}
      </>
    );
  return (
    <>
      {kind === 'opening' ? (
        <Choice
          label="It is a"
          value={String(feature.use)}
          options={OPENING_USES.map((value) => ({ value, label: OPENING_NAMES[value] }))}
          onChange={(use) => put([...at, 'use'], use)}
        />
      ) : null}
      <ShapeFields at={[...at, 'shape']} shape={(feature.shape ?? {}) as Entry} />
      {kind === 'fresh-paint' ? <TreeField at={[...at, 'ageH']} label="Age of the paint" unit="h" numeric /> : null}
    </>
  );
}

function ShapeFields({ at, shape }: { at: TreeKeys; shape: Entry }) {
  const { put } = useTree();
  const kind = String(shape.kind);
  const points = (shape.points ?? []) as readonly TypedTree[];
  return (
    <>
      <Choice
        label="Shape"
        value={kind}
        options={[
          { value: 'round', label: 'Round' },
          { value: 'window', label: 'Window' },
          { value: 'corners', label: 'Corner by corner' },
        ]}
        onChange={(next) => put(at, SHAPES[next]!())}
      />
      {kind === 'corners' ? null : <PlaceFields at={[...at, 'at']} name="Middle" />}
      {kind === 'round' ? <TreeField at={[...at, 'diameter']} label="Diameter" unit="length" whole /> : null}
      {kind === 'window' ? (
        <FieldRow>
          <TreeField at={[...at, 'width']} label="Width" unit="length" />
          <TreeField at={[...at, 'height']} label="Height" unit="length" />
          <TreeField at={[...at, 'corner']} label="Radius of its corners" unit="length" />
        </FieldRow>
      ) : null}
      {kind === 'corners' ? (
        <>
          {points.map((_, index) => (
            <PlaceFields key={index} at={[...at, 'points', index]} name={phrase`Corner ${index + 1}`} />
          ))}
          <Action label="Another corner" icon="plus" onPress={() => put([...at, 'points'], [...points, place()])} />
        </>
      ) : null}
    </>
  );
}

const PlaceFields = ({ at, name }: { at: TreeKeys; name: string }) => (
  <FieldRow>
    <TreeField at={[...at, 'along']} label={phrase`${name}: along`} unit="length" />
    <TreeField at={[...at, 'above']} label="above" unit="length" />
  </FieldRow>
);

const styles = StyleSheet.create({
  entry: { gap: space.small },
});
