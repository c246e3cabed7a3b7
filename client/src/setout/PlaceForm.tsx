import type { Design } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { Switch } from 'react-native-paper';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { treeAt, type TypedTree } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import { Body, Small } from '@/ui/Typography';

/** Which way a flat part faces, as its turning. */
const FACES = [
  { value: 'right', label: 'right', yawDeg: '0', pitchDeg: '0', rollDeg: '0' },
  { value: 'left', label: 'left', yawDeg: '180', pitchDeg: '0', rollDeg: '0' },
  { value: 'up', label: 'up', yawDeg: '0', pitchDeg: '0', rollDeg: '-90' },
  { value: 'front', label: 'forward', yawDeg: '90', pitchDeg: '0', rollDeg: '0' },
  { value: 'back', label: 'back', yawDeg: '-90', pitchDeg: '0', rollDeg: '0' },
  { value: 'other', label: 'otherwise', yawDeg: '', pitchDeg: '', rollDeg: '' },
] as const;

/** Where the part sits on the whole piece, and whether it is the mirror image of another. */
export function PlaceForm({ others }: { others: Design['parts'] }) {
  const { text } = useWords();
  const { tree, put } = useTree();
  const pose = treeAt(tree, ['pose']) as { readonly [key: string]: TypedTree };
  const faces =
    FACES.find(
      ({ yawDeg, pitchDeg, rollDeg }) =>
        pose.yawDeg === yawDeg && pose.pitchDeg === pitchDeg && pose.rollDeg === rollDeg,
    )?.value ?? 'other';
  const opposite = treeAt(tree, ['opposite']) as { readonly of: string; readonly follows: boolean } | undefined;
  return (
    <>
      {others.length > 0 ? (
        <Pick
          label="Mirror image of"
          value={opposite?.of ?? ''}
          options={[
            { value: '', label: 'no other part' },
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(partId) =>
            put(['opposite'], partId ? { of: partId, follows: opposite?.follows ?? true } : undefined)
          }
        />
      ) : null}
      {opposite ? (
        <View style={styles.switch}>
          <Switch
            value={opposite.follows}
            onValueChange={(follows) => put(['opposite', 'follows'], follows)}
            accessibilityLabel={text('Follows it')}
          />
          <Body style={styles.words}>
            {opposite.follows
              ? 'Follows it: shape, features and lines are those of the other'
              : 'Detached: has shape, features and lines of its own'}
          </Body>
        </View>
      ) : null}
      {opposite?.follows ? null : (
        <>
          <Small>
            Where 0, 0 of the part lies on the whole piece, so that level lines and lines that go on across a gap can be
            worked out
          </Small>
          <FieldRow>
            <TreeField at={['pose', 'at', 0]} label="Forward" unit="length" testID="pose-x" />
            <TreeField at={['pose', 'at', 1]} label="To the left" unit="length" testID="pose-y" />
            <TreeField at={['pose', 'at', 2]} label="Up" unit="length" testID="pose-z" />
          </FieldRow>
          <Choice
            label="A flat part faces"
            value={faces}
            options={FACES.map(({ value, label }) => ({ value, label }))}
            onChange={(value) => {
              const facing = FACES.find((option) => option.value === value);
              if (facing && facing.value !== 'other')
                put(['pose'], {
                  at: pose.at,
                  yawDeg: facing.yawDeg,
                  pitchDeg: facing.pitchDeg,
                  rollDeg: facing.rollDeg,
                });
            }}
          />
          <FieldRow>
            <TreeField at={['pose', 'yawDeg']} label="Turned to the left" unit="°" />
            <TreeField at={['pose', 'pitchDeg']} label="Front raised" unit="°" />
            <TreeField at={['pose', 'rollDeg']} label="Left side up" unit="°" />
          </FieldRow>
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
  words: { flex: 1 },
});
