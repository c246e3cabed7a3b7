import { type Substrate, SUBSTRATES } from '@lintrel/core';
import { SUBSTRATE_NAMES } from '@lintrel/words';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { PRESENT_SYSTEMS } from '@/forms/presentSystems';
import { treeAt, type TreeKeys } from '@/forms/tree';
import { TreeField, useTree } from '@/forms/TreeField';
import { useJob } from '@/job/JobContext';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Heading } from '@/ui/Typography';

/** What a part is made of, what is on it, and whether it is painted. */
export function PartBasics({ title }: { readonly title: string }) {
  const { shelf } = useJob();
  const { tree, put } = useTree();
  const word = (keys: TreeKeys) => String(treeAt(tree, keys) ?? '');
  return (
    <Panel>
      <Heading>{title}</Heading>
      <FieldRow>
        <TreeField at={['name']} label="Name of the part" />
        <TreeField at={['count']} label="How many alike" numeric />
      </FieldRow>
      <Pick
        label="Made of"
        value={word(['substrate']) as Substrate}
        options={SUBSTRATES.map((value) => ({ value, label: SUBSTRATE_NAMES[value] }))}
        onChange={(value) => put(['substrate'], value)}
      />
      <Pick
        label="What is on it now"
        value={word(['present', 'system']) as (typeof PRESENT_SYSTEMS)[number]['value']}
        options={PRESENT_SYSTEMS}
        onChange={(value) => put(['present', 'system'], value)}
      />
      <FieldRow>
        <TreeField at={['present', 'colour']} label="Its colour" hint="Such as #c7bfa6" testID="presentColour" />
        <TreeField at={['present', 'ageH']} label="Its age" unit="h" numeric testID="presentAgeH" />
      </FieldRow>
      <Pick
        label="The finish it is in, where you know it"
        value={word(['present', 'finish']) || ''}
        options={[
          { value: '', label: 'Not known, or none on the shelf' },
          ...shelf.finishes.map(({ id: value, name, colour: paint }) => ({ value, label: name, colour: paint })),
        ]}
        onChange={(value) => put(['present', 'finish'], value === '' ? undefined : value)}
      />
      <Choice
        label="It will be"
        value={word(['treatment']) || 'paint'}
        options={[
          { value: 'paint', label: 'painted' },
          { value: 'blend', label: 'blended' },
          { value: 'leave', label: 'left' },
        ]}
        onChange={(value) => put(['treatment'], value === 'paint' ? undefined : value)}
      />
    </Panel>
  );
}
