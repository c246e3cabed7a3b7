import { unusedId } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { FieldRow } from '@/forms/FieldRow';
import { treeAt, type TypedTree, without } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';
import { TakeOut } from './SurfaceForm';

/** Places and directions that lines of a part are measured from. */
export function DatumsForm() {
  const { tree, put } = useTree();
  const datums = (treeAt(tree, ['datums']) ?? []) as readonly TypedTree[];
  return (
    <Panel>
      <Heading>Measured from</Heading>
      <Small>
        A datum starts at a place and runs in a direction; heights are counted to its left. On round parts y is the
        girth from the top.
      </Small>
      {datums.map((_, index) => (
        <FieldRow key={index}>
          <TreeField at={['datums', index, 'name']} label={phrase`Datum ${index + 1}`} />
          <TreeField at={['datums', index, 'at', 0]} label="starts at: right" unit="length" />
          <TreeField at={['datums', index, 'at', 1]} label="up" unit="length" />
          <TreeField at={['datums', index, 'angleDeg']} label="turned to the left" unit="°" />
          {datums.length > 1 ? (
            <TakeOut what={phrase`datum ${index + 1}`} onPress={() => put(['datums'], without(datums, index))} />
          ) : null}
        </FieldRow>
      ))}
      <Action label="Another datum" icon="plus" onPress={() => put(['datums'], [...datums, nextDatum(datums)])} />
    </Panel>
  );
}

/** A datum at the corner, to be moved. */
const nextDatum = (datums: readonly TypedTree[]): TypedTree => ({
  id: unusedId(
    'datum',
    datums.map((datum) => String((datum as { id?: unknown }).id)),
  ),
  name: `Datum ${datums.length + 1}`,
  at: ['0', '0'],
  angleDeg: '0',
});
