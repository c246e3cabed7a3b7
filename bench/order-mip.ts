import { filmTimes, finishesInUse, finishOf, firstTwo, memoizedCoats, type OrderProblem } from '@lintrel/core';
import highs from 'highs';
import { RULE_OF_THUMB } from '../core/src/kit';
import { mixMinutes } from '../core/src/stage/gun';
import { coverMin, coverOver, edgeCost, uncoverMin } from '../core/src/stage/mask-cost';

// The order of coats as a mixed-integer program, for an external solver: the same cost as ours for jobs of one part
// with something kept, fresh masks, one gun, solid airbrush colours and no abrading, with the aim of least work.

interface Program {
  readonly terms: string[];
  readonly rules: string[];
  readonly binaries: Set<string>;
  readonly reals: Set<string>;
  constant: number;
}

/** Solves it; returns the least score in minutes, and how long the solver took, ms. */
export async function solveByProgram(problem: OrderProblem): Promise<{ readonly score: number; readonly ms: number }> {
  const { text, constant } = programOf(problem);
  const solver = await highs();
  const start = performance.now();
  const answer = solver.solve(text, { mip_rel_gap: 1e-9, mip_abs_gap: 1e-7 });
  const ms = performance.now() - start;
  if (answer.Status !== 'Optimal') throw new Error(`the solver says ${answer.Status}`);
  return { score: answer.ObjectiveValue + constant, ms };
}

/** A program being written, with the names of its variables. */
interface Writer {
  readonly problem: OrderProblem;
  readonly program: Program;
  readonly ids: readonly string[];
  /** Index of the finish of each area; -1: kept. */
  readonly finishOfArea: readonly number[];
  readonly cost: (value: number, name: string) => void;
  readonly rule: (text: string) => void;
  readonly binary: (name: string) => string;
  readonly positive: (name: string) => string;
  /** Variable: one finish before another. */
  readonly before: (f: number, g: number) => string;
  /** Variable: the stage of a finish opens an area. */
  readonly open: (f: number, area: number) => string;
}

function writerOf(problem: OrderProblem): Writer {
  const ids = finishesInUse(problem);
  const program: Program = { terms: [], rules: [], binaries: new Set(), reals: new Set(), constant: 0 };
  const binary = (name: string) => {
    program.binaries.add(name);
    return name;
  };
  return {
    problem,
    program,
    ids,
    finishOfArea: problem.areas.map(({ finish }) => (finish === null ? -1 : ids.indexOf(finish))),
    cost: (value, name) => {
      if (value !== 0) program.terms.push(`${value < 0 ? '-' : '+'} ${Math.abs(value).toFixed(9)} ${name}`);
    },
    rule: (text) => void program.rules.push(` c${program.rules.length}: ${text}`),
    binary,
    positive: (name) => {
      program.reals.add(name);
      return name;
    },
    before: (f, g) => binary(`p_${f}_${g}`),
    open: (f, area) => `x_${f}_${area}`,
  };
}

function programOf(problem: OrderProblem): { readonly text: string; readonly constant: number } {
  const writer = writerOf(problem);
  const { program, ids } = writer;
  const { work } = RULE_OF_THUMB.wishes[problem.wish];
  const stages = ids.map((_, f) => f);
  orderRules(writer, stages);
  for (const f of stages) openRules(writer, f);
  for (const f of stages) maskCosts(writer, f);
  for (const f of stages) coatCosts(writer, f, stages);
  program.constant += work * ids.reduce((sum, id) => sum + mixMinutes(finishOf(problem, id)) + RULE_OF_THUMB.gate, 0);
  const text = [
    'Minimize',
    ` obj: ${program.terms.join(' ')}`,
    'Subject To',
    ...program.rules,
    'Bounds',
    ...[...program.reals].map((name) => ` 0 <= ${name} <= 1`),
    'Binary',
    ` ${[...program.binaries].join(' ')}`,
    'End',
  ].join('\n');
  return { text, constant: program.constant };
}

/** Which comes before which: a whole order. */
function orderRules({ rule, before }: Writer, stages: readonly number[]): void {
  for (const f of stages) {
    for (const g of stages) {
      if (f < g) rule(`${before(f, g)} + ${before(g, f)} = 1`);
      for (const h of stages)
        if (f !== g && g !== h && f !== h) rule(`${before(f, g)} + ${before(g, h)} + ${before(h, f)} <= 2`);
    }
  }
}

/** What a stage may open. */
function openRules({ problem, finishOfArea, rule, binary, before, open }: Writer, f: number): void {
  problem.areas.forEach((_, area) => {
    binary(open(f, area));
    if (finishOfArea[area] === f) rule(`${open(f, area)} = 1`);
    else if (finishOfArea[area]! < 0) rule(`${open(f, area)} = 0`);
    else rule(`${open(f, area)} + ${before(finishOfArea[area]!, f)} <= 1`);
  });
}

/** Masks: rough edges against what comes later, crisp ones against what stays; paper over everything covered. */
function maskCosts({ problem, program, finishOfArea, cost, rule, positive, before, open }: Writer, f: number): void {
  const { areas, borders, model } = problem;
  const { work } = RULE_OF_THUMB.wishes[problem.wish];
  borders.forEach((border, borderIndex) => {
    const [rough, crisp] = firstTwo(
      [false, true].map((state) => {
        const { layMin, pullMin } = edgeCost(border, { crisp: state, backed: false }, model);
        return work * (layMin + pullMin);
      }),
    );
    for (const [free, closed] of [
      [border.a, border.b],
      [border.b, border.a],
    ] as const) {
      const y = positive(`y_${f}_${borderIndex}_${free}`);
      rule(`${y} - ${open(f, free)} + ${open(f, closed)} >= 0`);
      cost(finishOfArea[closed]! < 0 ? crisp : rough, y);
      if (finishOfArea[closed]! < 0 || finishOfArea[closed] === f) continue;
      const z = positive(`z_${f}_${borderIndex}_${free}`);
      rule(`${z} - ${open(f, free)} - ${before(finishOfArea[closed]!, f)} >= -1`);
      cost(crisp - rough, z);
    }
  });
  areas.forEach((orderArea, area) => {
    const paper = coverOver(orderArea);
    const drape = work * (coverMin(paper) + uncoverMin(paper));
    program.constant += drape;
    cost(-drape, open(f, area));
    // Paint that will not stay counts a little besides.
    if (finishOfArea[area] !== f) cost(work * RULE_OF_THUMB.strayPerM2 * orderArea.sizeM2, open(f, area));
  });
}

/** Coats over what really lies below, and what each of them sprays and waits. */
function coatCosts(writer: Writer, f: number, stages: readonly number[]): void {
  const { problem, ids, finishOfArea, cost, rule, binary, positive, open } = writer;
  const { work, wait } = RULE_OF_THUMB.wishes[problem.wish];
  const finish = finishOf(problem, ids[f]!);
  const over = (colour: string) => memoizedCoats(finish, colour).coats;
  const mine = problem.areas.flatMap((_, area) => (finishOfArea[area] === f ? [area] : []));
  const others = stages.filter((g) => g !== f);
  const most = Math.max(
    ...mine.map((area) => over(problem.areas[area]!.present)),
    ...others.map((g) => over(finishOf(problem, ids[g]!).colour)),
  );
  const waits = (coats: number) => {
    const { gap, windows, school, cleanMin } = filmTimes(problem, finish, coats);
    // The gun is cleaned while one waits for the pull, or after it where that is too short.
    const pull = windows[school]?.from ?? 0;
    return wait * ((coats - 1) * gap.from + pull + (pull < cleanMin ? cleanMin : 0));
  };
  const rate = work * RULE_OF_THUMB.sprayPerSquareMetre[finish.method];
  for (let level = 1; level <= most; level++) {
    const c = binary(`c_${f}_${level}`);
    if (level === 1) rule(`${c} = 1`);
    else rule(`${c} - c_${f}_${level - 1} <= 0`);
    cost(work * RULE_OF_THUMB.perCoat + waits(level) - (level > 1 ? waits(level - 1) : 0), c);
    problem.areas.forEach(({ sizeM2 }, area) => {
      const s = positive(`s_${f}_${level}_${area}`);
      rule(`${s} - ${c} - ${open(f, area)} >= -1`);
      cost(rate * sizeM2, s);
    });
    const spares = others.filter((g) => over(finishOf(problem, ids[g]!).colour) < level);
    for (const area of mine)
      sparedRules(writer, {
        f,
        level,
        area,
        spares,
        others: others.filter((other) => !spares.includes(other)),
        bare: over(problem.areas[area]!.present) >= level,
      });
  }
}

/** A coat is spared where a finish that needs fewer lies between. */
function sparedRules(
  { rule, positive, before, open }: Writer,
  {
    f,
    level,
    area,
    spares,
    others,
    bare,
  }: {
    readonly f: number;
    readonly level: number;
    readonly area: number;
    readonly spares: readonly number[];
    readonly others: readonly number[];
    /** What is there now needs this coat. */
    readonly bare: boolean;
  },
): void {
  const c = `c_${f}_${level}`;
  if (bare) rule([c, ...spares.map((h) => `+ ${open(h, area)}`)].join(' ') + ' >= 1');
  for (const g of others) {
    const between = spares.map((h) => {
      const w = positive(`w_${f}_${level}_${area}_${g}_${h}`);
      rule(`${w} - ${open(h, area)} <= 0`);
      rule(`${w} - ${before(g, h)} <= 0`);
      return `+ ${w}`;
    });
    rule([`${c} - ${open(g, area)}`, ...between].join(' ') + ' >= 0');
  }
}
