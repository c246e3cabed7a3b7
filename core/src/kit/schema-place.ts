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

/** A place in the data of a schema: what may stand there. */
export type SchemaPlace = readonly Node[];

/**
 * The place of a whole value.
 * @param value the value, complete or not; tells which variant of a schema applies
 */
export const schemaPlace = (schema: v.GenericSchema, value: unknown): SchemaPlace =>
  alternatives(schema as Node, value);

/** The place below another one, by key or index; `value` is what stands there. Nothing may stand below a place the schema does not have. */
export const placeBelow = (place: SchemaPlace, key: string | number, value: unknown): SchemaPlace =>
  place.flatMap((node) => {
    const next = childAt(node, key);
    return next ? alternatives(next, value) : [];
  });

/** The unit of the number at a place as messages write it, '' for a number without one, null where no number may stand. */
export function unitAt(place: SchemaPlace): string | null {
  const number = place.find(({ type }) => type === 'number');
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
