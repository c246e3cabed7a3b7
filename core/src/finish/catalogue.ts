import { TYPICAL_NOTE } from '../tape';
import { type Finish, finishSchema } from './finish';
import type { PaintSystemKey } from './system';

type TypicalFigures = Omit<Finish, 'id' | 'name' | 'colour' | 'system' | 'effect' | 'hidingUm' | 'basis'>;
type Row = readonly [
  system: PaintSystemKey,
  flashMin: number,
  recoat: readonly (readonly [number, number | null])[],
  touchMin: number,
  tapeSafeMin: number | null,
  throughMin: number,
  cureH: number | null,
  coatUm: number,
  solids: number,
  referenceBuildUm: number,
  activationKj: number,
  school: Finish['school'],
  method: Finish['method'],
  mixRatio: readonly number[],
  potLifeMin: number | null,
  coats: number | null,
];

// Typical figures of generic systems at 23 °C and 50 % RH (rule of thumb). Mixing ratio, pot life and the
// data-sheet coat counts of clears, primers, rubber and brushed coats are our own typical values.
const ROWS: readonly Row[] = [
  ['base-solvent', 10, [[10, 1440]], 15, 30, 60, null, 8, 0.18, 24, 35, 'touch', 'gun', [1, 1], null, null],
  ['two-part', 15, [[15, 720]], 180, 720, 960, 168, 25, 0.48, 50, 55, 'wet', 'gun', [4, 1, 1], 180, null],
  ['clear-two-part', 12, [[12, 600]], 150, 720, 960, 168, 28, 0.46, 56, 55, 'wet', 'gun', [2, 1], 120, 2],
  ['base-water', 12, [[12, 1440]], 25, 60, 120, null, 7, 0.16, 21, 40, 'touch', 'gun', [10, 1], null, null],
  [
    'can-lacquer',
    8,
    [
      [8, 60],
      [2880, null],
    ],
    15,
    120,
    240,
    72,
    12,
    0.12,
    24,
    35,
    'touch',
    'can',
    [1],
    null,
    null,
  ],
  [
    'can-enamel',
    12,
    [
      [12, 60],
      [2880, null],
    ],
    45,
    1440,
    1440,
    168,
    15,
    0.2,
    30,
    45,
    'touch',
    'can',
    [1],
    null,
    null,
  ],
  ['brush-enamel', 0, [[960, 4320]], 120, 1440, 960, 240, 35, 0.5, 35, 50, 'wet', 'brush', [1], null, 2],
  ['air-acrylic', 4, [[5, null]], 10, 90, 120, 48, 5, 0.25, 10, 40, 'dry', 'airbrush', [1, 1], null, null],
  ['air-lacquer', 3, [[3, null]], 6, 45, 60, 24, 5, 0.15, 10, 30, 'dry', 'airbrush', [1, 2], null, null],
  ['dope', 15, [[30, null]], 20, 120, 180, 72, 10, 0.12, 30, 30, 'touch', 'gun', [1, 1], null, null],
  ['fabric-urethane', 20, [[30, 1440]], 120, 960, 1440, 168, 25, 0.42, 50, 55, 'touch', 'gun', [3, 1, 1], 240, null],
  ['boottop', 0, [[240, null]], 60, 720, 480, 72, 50, 0.45, 100, 45, 'touch', 'roller', [1], null, 2],
  ['antifouling', 0, [[240, null]], 60, 720, 480, 72, 50, 0.45, 100, 45, 'touch', 'roller', [1], null, 2],
  ['peelable', 10, [[10, null]], 30, null, 240, 24, 25, 0.3, 125, 35, 'wet', 'gun', [1], null, 5],
  ['etch-primer', 10, [[10, 120]], 15, 45, 60, 24, 10, 0.12, 20, 35, 'touch', 'can', [1], null, 2],
  ['filler-primer', 12, [[12, null]], 60, 240, 240, 48, 40, 0.45, 80, 50, 'touch', 'gun', [4, 1], 60, 2],
  ['varnish', 0, [[960, 4320]], 240, 2880, 1440, 336, 30, 0.45, 30, 50, 'wet', 'brush', [1], null, 3],
];

/** Typical figures of one system, to start a new finish from. */
export function typicalFigures(system: PaintSystemKey): TypicalFigures {
  const row = ROWS.find(([key]) => key === system);
  if (!row) throw new RangeError(`no typical figures for system ${system}`);
  const [
    ,
    flashMin,
    recoat,
    touchMin,
    tapeSafeMin,
    throughMin,
    cureH,
    coatUm,
    solids,
    referenceBuildUm,
    activationKj,
    school,
    method,
    mixRatio,
    potLifeMin,
    coats,
  ] = row;
  return {
    method,
    flashMin,
    recoat: recoat.map(([fromMin, toMin]) => ({ fromMin, toMin })),
    touchMin,
    tapeSafeMin,
    throughMin,
    cureH,
    wetLimitMin: null,
    coatUm,
    solids,
    referenceBuildUm,
    activationKj,
    school,
    coats,
    mixRatio: [...mixRatio],
    potLifeMin,
  };
}

/** Keys in the order of the schema, so that a finish is the same text wherever it was built. */
const orderedFinish = (finish: Finish): Finish =>
  Object.fromEntries(
    Object.keys(finishSchema.entries).flatMap((key) => (key in finish ? [[key, finish[key as keyof Finish]]] : [])),
  ) as unknown as Finish;

/** Builds a finish from its system's typical figures. */
export function typicalFinish(
  id: string,
  name: string,
  system: PaintSystemKey,
  colour: string,
  hidingUm: number,
  effect: Finish['effect'] = 'solid',
): Finish {
  const figures = typicalFigures(system);
  return orderedFinish({ id, name, colour, system, effect, hidingUm, basis: TYPICAL_NOTE, ...figures });
}

/** The finishes that ship: made-up colours on typical systems. */
export const SHIPPED_FINISHES: readonly Finish[] = [
  typicalFinish('sea-green-two-part', 'Sea green, two-part', 'two-part', '#2f6f62', 40),
  typicalFinish('cream-two-part', 'Cream, two-part', 'two-part', '#f5f3ea', 70),
  { ...typicalFinish('copper-two-part', 'Copper, two-part', 'two-part', '#a85f32', 45, 'metallic'), coats: 3 },
  typicalFinish('blaze-two-part', 'Blaze orange, two-part', 'two-part', '#d9541e', 55),
  typicalFinish('ink-two-part', 'Ink blue, two-part', 'two-part', '#24406b', 30),
  typicalFinish('clear-two-part', 'Clear, two-part', 'clear-two-part', '#f4f4f2', 400, 'clear'),
  typicalFinish('signal-base', 'Signal red, solvent basecoat', 'base-solvent', '#b3242b', 50),
  typicalFinish('slate-base-water', 'Slate, waterborne basecoat', 'base-water', '#4a5560', 28),
  typicalFinish('tomato-can', 'Tomato, can enamel', 'can-enamel', '#b8322a', 50),
  typicalFinish('marigold-can', 'Marigold, can enamel', 'can-enamel', '#f2b52c', 60),
  typicalFinish('night-can-lacquer', 'Night blue, can lacquer', 'can-lacquer', '#22304f', 30),
  typicalFinish('ivory-brush', 'Ivory, brushing enamel', 'brush-enamel', '#efe6cf', 70),
  typicalFinish('pale-blue-air', 'Pale blue, airbrush acrylic', 'air-acrylic', '#8fb0c4', 25),
  typicalFinish('deep-blue-air', 'Deep blue, airbrush acrylic', 'air-acrylic', '#2b4a6f', 15),
  typicalFinish('haze-grey-air', 'Haze grey, airbrush acrylic', 'air-acrylic', '#9aa09e', 20),
  typicalFinish('soot-air', 'Soot black, airbrush acrylic', 'air-acrylic', '#1c1f24', 12),
  typicalFinish('bone-air-lacquer', 'Bone, airbrush lacquer', 'air-lacquer', '#ddd3bd', 25),
  typicalFinish('orange-dope', 'Orange, dope', 'dope', '#d8622a', 60),
  typicalFinish('gull-fabric', 'Gull grey, fabric urethane', 'fabric-urethane', '#c9cdc9', 70),
  typicalFinish('boottop-navy', 'Navy boot-top, rolled', 'boottop', '#20304a', 60),
  typicalFinish('brick-antifouling', 'Brick red antifouling, rolled', 'antifouling', '#7d3a30', 80),
  typicalFinish('rubber-black', 'Black, peelable rubber', 'peelable', '#202222', 80),
  typicalFinish('etch-grey', 'Grey etch primer, can', 'etch-primer', '#8a8d86', 30),
  typicalFinish('filler-buff', 'Buff filler primer, two-part', 'filler-primer', '#c7bfa6', 80),
  typicalFinish('amber-varnish', 'Yacht varnish', 'varnish', '#b98a4a', 600, 'clear'),
];
