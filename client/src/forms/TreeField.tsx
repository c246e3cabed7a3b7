import { pathText } from '@lintrel/core';
import { createContext, useContext } from 'react';
import { Typed } from './Field';
import { treeAt, type TreeKeys, type TypedTree } from './tree';

/** A form over a tree of texts: what is typed, what is wrong where, and how to change it. */
export interface TreeForm {
  readonly tree: TypedTree;
  readonly faults: Readonly<Record<string, string>>;
  readonly unit: 'mm' | 'in';
  readonly put: (keys: TreeKeys, value: TypedTree) => void;
}

const Context = createContext<TreeForm | null>(null);
export const TreeFormProvider = Context.Provider;

/** The form of this context. */
export function useTree(): TreeForm {
  const form = useContext(Context);
  if (!form) throw new Error('a tree field stands outside its form');
  return form;
}

interface TreeFieldProps {
  readonly at: TreeKeys;
  readonly label: string;
  /** `length` shows the unit of the job. */
  readonly unit?: 'length' | '°' | 'h';
  readonly hint?: string;
  readonly whole?: boolean;
  readonly numeric?: boolean;
  /** May be left empty. */
  readonly optional?: boolean;
  readonly testID?: string;
}

/** One typed value of a tree. */
export function TreeField({ at, label, unit, hint, whole, numeric, optional, testID }: TreeFieldProps) {
  const { tree, faults, unit: lengths, put } = useTree();
  return (
    <Typed
      label={label}
      value={String(treeAt(tree, at) ?? '')}
      onChange={(text) => put(at, optional && text === '' ? undefined : text)}
      fault={faults[pathText(at)]}
      hint={hint}
      unit={unit === 'length' ? lengths : unit}
      whole={whole}
      keys={numeric ? 'numeric' : 'default'}
      testID={testID ?? pathText(at)}
    />
  );
}
