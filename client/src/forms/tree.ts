import {
  type Fault,
  firstItem,
  type LengthContext,
  pathText,
  placeBelow,
  readLength,
  readNumber,
  type SchemaPlace,
  schemaPlace,
  unitAt,
} from '@lintrel/core';
import type { GenericSchema } from 'valibot';
import { lengthText } from './lengthText';

/** Plain data in which every number is the text that was typed for it. */
export type TypedTree =
  string | boolean | null | undefined | readonly TypedTree[] | { readonly [key: string]: TypedTree };

export type TreeKeys = readonly (string | number)[];

/** Data as texts to be typed over, lengths in the job's unit; the schema tells which numbers are lengths. */
export function typedTree(schema: GenericSchema, data: unknown, unit: 'mm' | 'in'): TypedTree {
  const typed = (value: unknown, place: SchemaPlace): TypedTree => {
    const below = (key: string | number, item: unknown) => typed(item, placeBelow(place, key, item));
    if (typeof value === 'number') return unitAt(place) === 'mm' ? lengthText(value, unit) : String(value);
    if (Array.isArray(value)) return value.map((item, index) => below(index, item));
    if (value === null || typeof value !== 'object') return value as TypedTree;
    return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, below(key, item)]));
  };
  return typed(data, schemaPlace(schema, data));
}

/** Parses texts into the data of a schema; faults are reported at their paths. */
export function readTree(
  schema: GenericSchema,
  tree: TypedTree,
  context: LengthContext,
): { readonly value: unknown; readonly faults: readonly Fault[] } {
  const faults: Fault[] = [];
  const read = (node: TypedTree, place: SchemaPlace, keys: TreeKeys): unknown => {
    const below = (key: string | number, item: TypedTree) => read(item, placeBelow(place, key, item), [...keys, key]);
    if (typeof node === 'string') {
      const unit = unitAt(place);
      if (unit === null) return node;
      const reading = unit === 'mm' ? readLength(node, context) : readNumber(node);
      if (reading.ok) return reading.value;
      faults.push({ path: pathText(keys), ...reading.why });
      return 0;
    }
    if (Array.isArray(node)) return node.map((item, index) => below(index, item as TypedTree));
    if (node === null || typeof node !== 'object') return node;
    return Object.fromEntries(
      Object.entries(node as { readonly [key: string]: TypedTree })
        .filter(([, item]) => item !== undefined)
        .map(([key, item]) => [key, below(key, item)]),
    );
  };
  return { value: read(tree, schemaPlace(schema, tree), []), faults };
}

/** What stands at a place of a tree. */
export const treeAt = (tree: TypedTree, keys: TreeKeys): TypedTree =>
  keys.reduce<TypedTree>((node, key) => (node as Record<string | number, TypedTree> | undefined)?.[key], tree);

/** The tree with something else at a place. */
export function withTree(tree: TypedTree, keys: TreeKeys, value: TypedTree): TypedTree {
  if (keys.length === 0) return value;
  const [key, rest] = [firstItem(keys), keys.slice(1)];
  if (typeof key === 'number')
    return (tree as readonly TypedTree[]).map((item, index) => (index === key ? withTree(item, rest, value) : item));
  const node = (tree ?? {}) as Record<string, TypedTree>;
  return { ...node, [key]: withTree(node[key] as TypedTree, rest, value) };
}

/** A list without one of its entries. */
export const without = <T>(items: readonly T[], index: number): readonly T[] =>
  items.filter((_, other) => other !== index);
