import { type Design, emptyDesign, type Part, type TrimLine } from '@lintrel/core';

// A job far larger than the demo's: a whole fleet of panels with many lines, to see how work grows.

const PARTS = 40;
const COLOURS = ['cream-two-part', 'sea-green-two-part', 'blaze-two-part', 'copper-two-part'];
const common = { datum: 'base', runOn: false } as const;
const measured = (along: number, above: number) => ({ along, above });

/** Ten lines that part a panel of 1200 × 800 mm into sixteen areas. */
function lines(shift: number): TrimLine[] {
  const level = [270, 540].map((above, index): TrimLine => ({
    kind: 'straight',
    id: `level-${index}`,
    name: `Level ${index}`,
    ...common,
    from: measured(0, above + shift),
    to: measured(1200, above),
  }));
  const upright = [300, 600, 900].map((along, index): TrimLine => ({
    kind: 'sweep',
    id: `sweep-${index}`,
    name: `Sweep ${index}`,
    ...common,
    points: [measured(along, 0), measured(along + 20 + shift, 250), measured(along - 15, 500), measured(along, 800)],
  }));
  const rounds = [150, 450, 750, 1050].map((along, index): TrimLine => ({
    kind: 'ellipse',
    id: `round-${index}`,
    name: `Round ${index}`,
    ...common,
    centre: measured(along, 130),
    width: 90,
    height: 70,
    turnDeg: 10,
  }));
  return [
    ...level,
    ...upright,
    ...rounds,
    { kind: 'straight', id: 'loose', name: 'Loose', ...common, from: measured(100, 620), to: measured(220, 700) },
  ];
}

const panel = (index: number): Part => ({
  id: `panel-${index}`,
  name: `Panel ${index}`,
  count: 1,
  substrate: 'steel',
  present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 96 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 1200, height: 800 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: lines(index % 7),
});

/** Places in every cell of a panel, a row each, so that neighbours differ. */
const SEEDS = [0, 1, 2, 3].flatMap((column) =>
  [0, 1, 2, 3].map((row) => ({
    column,
    row,
    seed: [[150, 450, 750, 1050][column], [130, 40, 400, 700][row]] as [number, number],
  })),
);

/** The job: parts, lines and areas by the hundred, in four colours. */
export const largeJob = (): Design => ({
  ...emptyDesign('A fleet of panels', 'road'),
  parts: Array.from({ length: PARTS }, (_, index) => panel(index)),
  scheme: {
    areas: Array.from({ length: PARTS }, (_, part) =>
      SEEDS.map(({ column, row, seed }) => ({
        part: `panel-${part}`,
        seed,
        finish: COLOURS[(column + 2 * row + part) % COLOURS.length]!,
      })),
    ).flat(),
  },
});
