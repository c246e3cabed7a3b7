import type { Step } from './step';

/** Sorts of work with a speed of their own: taping by technique, the rest by kind. */
export const WORK_SORTS = [
  'wash',
  'abrade',
  'lay-straight',
  'lay-curve',
  'lay-rim',
  'plug',
  'cover',
  'seal',
  'gate',
  'mix',
  'coat',
  'gun',
  'pull',
  'uncover',
  'inspect',
] as const;
export type WorkSort = (typeof WORK_SORTS)[number];

/** Ways of laying that follow a bend. */
const BENT = ['technique.steer', 'technique.stretch', 'technique.short'];

const SORT_OF: Readonly<Partial<Record<Step['kind'], WorkSort>>> = {
  wash: 'wash',
  abrade: 'abrade',
  plug: 'plug',
  unplug: 'plug',
  cover: 'cover',
  seal: 'seal',
  gate: 'gate',
  prime: 'coat',
  mix: 'mix',
  coat: 'coat',
  'gun-clean': 'gun',
  'gun-strip': 'gun',
  pull: 'pull',
  uncover: 'uncover',
  inspect: 'inspect',
};

/** Sort of work of a step; null if it has no speed. */
export function workSort({ kind, say: { code, values } }: Pick<Step, 'kind' | 'say'>): WorkSort | null {
  if (kind !== 'lay') return SORT_OF[kind] ?? null;
  if (code === 'step.rim') return 'lay-rim';
  const { technique, more = [] } = values as {
    readonly technique?: { readonly code: string };
    readonly more?: readonly { readonly code: string }[];
  };
  return [...(technique ? [technique] : []), ...more].some((laid) => BENT.includes(laid.code))
    ? 'lay-curve'
    : 'lay-straight';
}
