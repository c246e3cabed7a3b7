import {
  type Fault,
  firstItem,
  type LengthContext,
  type Message,
  pathText,
  readLength,
  readNumber,
} from '@lintrel/core';
import { lengthText } from './lengthText';

/** Plain data in which every number is the text that was typed for it. */
export type TypedTree =
  string | boolean | null | undefined | readonly TypedTree[] | { readonly [key: string]: TypedTree };

export type TreeKeys = readonly (string | number)[];

/** Keys whose values are words, and keys whose numbers are no lengths; all other numbers are lengths. */
const WORDS = new Set([
  'id',
  'name',
  'kind',
  'substrate',
  'system',
  'colour',
  'datum',
  'use',
  'bend',
  'on',
  'of',
  'treatment',
  'finish',
  'attached',
  'beyond',
  'part',
]);
const PLAIN = new Set(['count', 'ageH', 'edge', 'own']);

const keyOf = (keys: TreeKeys): string => String(keys.findLast((key) => typeof key === 'string') ?? '');
const isPlain = (keys: TreeKeys): boolean => PLAIN.has(keyOf(keys)) || keyOf(keys).endsWith('Deg');

/** Data as texts to be typed over, lengths in the job's unit. */
export function typedTree(value: unknown, unit: 'mm' | 'in', keys: TreeKeys = []): TypedTree {
  if (typeof value === 'number') return isPlain(keys) ? String(value) : lengthText(value, unit);
  if (Array.isArray(value)) return value.map((item, index) => typedTree(item, unit, [...keys, index]));
  if (value === null || typeof value !== 'object') return value as TypedTree;
  return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, typedTree(item, unit, [...keys, key])]));
}

/** Parses texts into data; faults are reported at their paths. */
export function readTree(
  tree: TypedTree,
  context: LengthContext,
  keys: TreeKeys = [],
): { readonly value: unknown; readonly faults: readonly Fault[] } {
  if (typeof tree === 'string')
    return WORDS.has(keyOf(keys)) ? { value: tree, faults: [] } : readMeasure(tree, context, keys);
  if (tree === null || typeof tree !== 'object') return { value: tree, faults: [] };
  if (Array.isArray(tree)) {
    const items = tree.map((item, index) => readTree(item as TypedTree, context, [...keys, index]));
    return { value: items.map(({ value }) => value), faults: items.flatMap(({ faults }) => faults) };
  }
  const entries = Object.entries(tree as { readonly [key: string]: TypedTree }).filter(
    ([, item]) => item !== undefined,
  );
  const items = entries.map(([key, item]) => [key, readTree(item, context, [...keys, key])] as const);
  return {
    value: Object.fromEntries(items.map(([key, { value }]) => [key, value])),
    faults: items.flatMap(([, { faults }]) => faults),
  };
}

function readMeasure(
  text: string,
  context: LengthContext,
  keys: TreeKeys,
): { readonly value: number; readonly faults: readonly Fault[] } {
  const refuse = (why: Message) => ({ value: 0, faults: [{ path: pathText(keys), ...why }] });
  const reading = isPlain(keys) ? readNumber(text) : readLength(text, context);
  return reading.ok ? { value: reading.value, faults: [] } : refuse(reading.why);
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
