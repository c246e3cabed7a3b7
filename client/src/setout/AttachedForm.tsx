import type { Design } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { treeAt } from '@/forms/tree';
import { useTree } from '@/forms/TreeField';
import { Row, Rows } from '@/ui/Row';
import { Body, Small } from '@/ui/Typography';

/** Which other parts are on the piece beside this one while it is sprayed. */
export function AttachedForm({ others }: { others: Design['parts'] }) {
  const { tree, put } = useTree();
  const attached = (treeAt(tree, ['attached']) ?? []) as readonly string[];
  const toggle = (id: string) =>
    put(['attached'], attached.includes(id) ? attached.filter((attachedId) => attachedId !== id) : [...attached, id]);
  return (
    <>
      <Small>
        Parts that stay on it while it is painted are covered against its spray; parts taken off are not. Tap those that
        stay on.
      </Small>
      <Rows>
        {others.map(({ id, name }) => {
          const on = attached.includes(id);
          return (
            <Row
              key={id}
              label={phrase`Attached to ${name}: ${on ? 'yes' : 'no'}`}
              chosen={on}
              onPress={() => toggle(id)}
              testID={`attached-${id}`}
            >
              <Body>{name}</Body>
              <Small>{on ? 'stays on' : 'taken off'}</Small>
            </Row>
          );
        })}
      </Rows>
    </>
  );
}
