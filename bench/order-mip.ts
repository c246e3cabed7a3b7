import { filmTimes, finishOf, memoizedCoats, finishesInUse, type OrderProblem, firstTwo } from '@lintrel/core';
import highs from 'highs';
import { mixMinutes } from '../core/src/stage/gun';
import { coverMin, coverOver, edgeCost, uncoverMin } from '../core/src/stage/mask-cost';
import { RULE_OF_THUMB } from '../core/src/kit';

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

function programOf(problem: OrderProblem): { readonly text: string; readonly constant: number } {
  const ids = finishesInUse(problem);
  const { areas, borders, model } = problem;
  const { work, wait } = RULE_OF_THUMB.wishes[problem.wish];
  const program: Program = { terms: [], rules: [], binaries: new Set(), reals: new Set(), constant: 0 };
  const cost = (value: number, name: string) =>
    value !== 0 && program.terms.push(`${value < 0 ? '-' : '+'} ${Math.abs(value).toFixed(9)} ${name}`);
  const rule = (text: string) => program.rules.push(` c${program.rules.length}: ${text}`);
  const binary = (name: string) => {
    program.binaries.add(name);
    return name;
  };
  const positive = (name: string) => {
    program.reals.add(name);
    return name;
  };
  const before = (f: number, g: number) => binary(`p_${f}_${g}`);
  const open = (f: number, area: number) => `x_${f}_${area}`;
  const finishOfArea = areas.map(({ finish }) => (finish === null ? -1 : ids.indexOf(finish)));
  const stages = ids.map((_, f) => f);
  // Which comes before which: a whole order.
  for (const f of stages) {
    for (const g of stages) {
      if (f < g) rule(`${before(f, g)} + ${before(g, f)} = 1`);
      for (const h of stages)
        if (f !== g && g !== h && f !== h) rule(`${before(f, g)} + ${before(g, h)} + ${before(h, f)} <= 2`);
    }
  }
  // What a stage may open.
  for (const f of stages) {
    areas.forEach((_, area) => {
      binary(open(f, area));
      if (finishOfArea[area] === f) rule(`${open(f, area)} = 1`);
      else if (finishOfArea[area]! < 0) rule(`${open(f, area)} = 0`);
      else rule(`${open(f, area)} + ${before(finishOfArea[area]!, f)} <= 1`);
    });
  }
  // Masks: rough edges against what comes later, crisp ones against what stays; paper over everything covered.
  for (const f of stages) {
    borders.forEach((border, borderIndex) => {
      for (const [free, closed] of [
        [border.a, border.b],
        [border.b, border.a],
      ] as const) {
        const [rough, crisp] = firstTwo(
          [false, true].map((state) => {
            const { layMin, pullMin } = edgeCost(border, state, model);
            return work * (layMin + pullMin);
          }),
        );
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
  // Coats over what really lies below, and what each of them sprays and waits.
  for (const f of stages) coatsOf(f);
  function coatsOf(f: number): void {
    const finish = finishOf(problem, ids[f]!);
    const over = (colour: string) => memoizedCoats(finish, colour).coats;
    const mine = areas.flatMap((_, area) => (finishOfArea[area] === f ? [area] : []));
    const others = stages.filter((g) => g !== f);
    const most = Math.max(
      ...mine.map((area) => over(areas[area]!.present)),
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
      areas.forEach(({ sizeM2 }, area) => {
        const s = positive(`s_${f}_${level}_${area}`);
        rule(`${s} - ${c} - ${open(f, area)} >= -1`);
        cost(rate * sizeM2, s);
      });
      const spares = others.filter((g) => over(finishOf(problem, ids[g]!).colour) < level);
      for (const area of mine) {
        if (over(areas[area]!.present) >= level)
          rule([c, ...spares.map((h) => `+ ${open(h, area)}`)].join(' ') + ' >= 1');
        for (const g of others.filter((other) => !spares.includes(other))) {
          const between = spares.map((h) => {
            const w = positive(`w_${f}_${level}_${area}_${g}_${h}`);
            rule(`${w} - ${open(h, area)} <= 0`);
            rule(`${w} - ${before(g, h)} <= 0`);
            return `+ ${w}`;
          });
          rule([`${c} - ${open(g, area)}`, ...between].join(' ') + ' >= 0');
        }
      }
    }
  }
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
