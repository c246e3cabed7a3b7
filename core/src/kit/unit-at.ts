import * as v from 'valibot';

/** The parts of a schema that are looked at here. */
interface Node extends v.GenericSchema {
  readonly type: string;
  readonly entries?: Readonly<Record<string, Node>>;
  readonly item?: Node;
  readonly items?: readonly Node[];
  readonly options?: readonly Node[];
  readonly key?: string;
  readonly wrapped?: Node;
}

/**
 * The unit a schema gives the number at a place.
 * @param schema schema of the data
 * @param data the data, complete or not; tells which variant of a schema applies
 * @param keys path from the data to the number
 * @returns the unit as messages write it, '' for a number without one, null where the schema has no number there
 */
export function unitAt(schema: v.GenericSchema, data: unknown, keys: readonly (string | number)[]): string | null {
  let nodes = alternatives(schema as Node, data);
  let value = data;
  for (const key of keys) {
    value = (value as Readonly<Record<string | number, unknown>> | null | undefined)?.[key];
    nodes = nodes.flatMap((node) => {
      const next = childAt(node, key);
      return next ? alternatives(next, value) : [];
    });
  }
  const number = nodes.find(({ type }) => type === 'number');
  return number ? ((v.getMetadata(number).unit as string | undefined) ?? '') : null;
}

function childAt(node: Node, key: string | number): Node | undefined {
  return typeof key === 'number' ? (node.items?.[key] ?? node.item) : node.entries?.[key];
}

/** The schemas that may apply, without what is optional, nullable or a choice. */
function alternatives(node: Node, value: unknown): readonly Node[] {
  if (node.wrapped) return alternatives(node.wrapped, value);
  if (!node.options || typeof node.options[0] !== 'object') return [node];
  const options = node.options.flatMap((option) => alternatives(option, value));
  const { key } = node;
  if (key === undefined || value === null || typeof value !== 'object') return options;
  const kind = (value as Readonly<Record<string, unknown>>)[key];
  return options.filter(({ entries }) => entries?.[key] !== undefined && v.is(entries[key], kind));
}
