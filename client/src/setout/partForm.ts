import {
  BASE_DATUM,
  checkAgainst,
  type Design,
  type Fault,
  faultText,
  HOME_POSE,
  type LengthContext,
  type Part,
  partFaults,
  partSchema,
  pathText,
  surfaceFaults,
  type SurfaceKind,
  withPart,
} from '@lintrel/core';
import { readTree, type TypedTree, typedTree } from '@/forms/tree';

/** A new part with defaults. */
export const newPart = (id: string): Part => ({
  id,
  name: '',
  count: 1,
  substrate: 'steel',
  present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 0, height: 0 } },
  datums: [BASE_DATUM],
  lines: [],
});

const EMPTY: Readonly<Record<SurfaceKind, TypedTree>> = {
  flat: { kind: 'flat', outline: { kind: 'rectangle', width: '', height: '' } },
  tube: { kind: 'tube', diameter: '', length: '' },
  cone: { kind: 'cone', d1: '', d2: '', length: '' },
  turned: { kind: 'turned', profile: { start: ['0', ''], edges: [{ to: ['', ''] }, { to: ['', ''] }], smooth: true } },
  folded: {
    kind: 'folded',
    panels: [{ id: 'panel-1', name: 'Panel 1', outline: { kind: 'rectangle', width: '', height: '' }, fold: null }],
  },
};

/** What a surface form opens with when its kind is chosen. */
export const emptySurface = (kind: SurfaceKind): TypedTree => EMPTY[kind];

/** What the outline form opens with when its shape is chosen. */
export const emptyOutline = (kind: string): TypedTree => {
  if (kind === 'polygon')
    return {
      kind,
      points: [
        ['', ''],
        ['', ''],
        ['', ''],
      ],
    };
  if (kind === 'disc') return { kind, diameter: '' };
  if (kind === 'curved')
    return { kind, start: ['0', '0'], edges: [{ to: ['', ''] }, { to: ['', ''] }, { to: ['0', '0'] }] };
  return { kind: 'rectangle', width: '', height: '' };
};

/** What the form opens with; a new part's sizes are empty, not 0. */
export function partTree(part: Part, unit: 'mm' | 'in', isNew: boolean): TypedTree {
  const { lines: _, ...shape } = part;
  const tree = typedTree(partSchema, { pose: HOME_POSE, features: [], ...shape }, unit) as Record<string, TypedTree>;
  return isNew ? { ...tree, surface: EMPTY.flat } : tree;
}

/** What came of reading the form: the part, or what is wrong by place. */
export type PartRead =
  | { readonly ok: true; readonly part: Part }
  | { readonly ok: false; readonly faults: Readonly<Record<string, string>> };

/** Reads the form and checks the part as the job file would. */
export function readPart(tree: TypedTree, lines: Part['lines'], context: LengthContext, design: Design): PartRead {
  const { value, faults } = readTree(partSchema, tree, context);
  const checked = checkAgainst(partSchema, { ...withoutDefaults(value as Record<string, unknown>), lines });
  // An unreadable value counts as 0 meanwhile, so that only faults elsewhere are added.
  const others = checked.ok ? [] : checked.faults.filter(({ path }) => !faults.some((fault) => fault.path === path));
  if (faults.length > 0 || !checked.ok) return refused([...faults, ...others]);
  const part = checked.value;
  const deeper = [
    ...surfaceFaults(part.surface).map(({ keys, why }) => ({ path: surfacePlace(part, keys), ...why })),
    ...partFaults(part, withPart(design, part)).flatMap((fault) => {
      if (fault.path.startsWith('surface')) return [];
      // A fault of a whole opening or zone is shown at its name.
      return /^features\[\d+\]$/.test(fault.path) ? [{ ...fault, path: `${fault.path}.name` }] : [fault];
    }),
  ];
  return deeper.length > 0 ? refused(deeper) : { ok: true, part };
}

/** A fault of a whole outline or panel is shown at its first field. */
function surfacePlace(part: Part, keys: readonly (string | number)[]): string {
  const path = ['surface', ...keys];
  const last = path[path.length - 1];
  if (last === 'points' || typeof last === 'number') return pathText([...path, 0]);
  if (last === 'outline' && 'outline' in part.surface && part.surface.outline.kind === 'polygon')
    return pathText([...path, 'points', 0, 0]);
  if (last === 'outline') return pathText([...path, 'start', 0]);
  if (last === 'fold') return pathText([...path.slice(0, -1), 'name']);
  return pathText(path);
}

const refused = (faults: readonly Fault[]): PartRead => ({
  ok: false,
  faults: Object.fromEntries([...faults].reverse().map((fault) => [fault.path, faultText(fault)])),
});

/** Leaves out defaults: no features, a part without a position. */
function withoutDefaults(part: Record<string, unknown>): Record<string, unknown> {
  const { features, pose, attached, rims, ...rest } = part;
  return {
    ...rest,
    ...(Array.isArray(attached) && attached.length > 0 ? { attached } : {}),
    // An empty list says that nothing is beyond; none at all, that it is as on the part it follows.
    ...(Array.isArray(rims) && (rims.length > 0 || part.opposite) ? { rims } : {}),
    ...(Array.isArray(features) && features.length > 0 ? { features } : {}),
    ...(JSON.stringify(pose) === JSON.stringify(HOME_POSE) ? {} : { pose }),
  };
}
