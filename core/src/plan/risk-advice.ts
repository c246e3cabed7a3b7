import type { Advice } from '../contract';
import { colourDifference, type Finish, PAINT_SYSTEMS, reflectanceOf } from '../finish';
import { firstTwo, RULE_OF_THUMB } from '../kit';
import { isCuring } from '../over';
import { primerFor } from '../prepare';
import { partOffsets, placeOfArea } from '../problem';
import { memoizedCoats, type OrderProblem } from '../stage';
import { advice, type AdviceInput } from './advice-input';
import { PLAN_RULES } from './rules-of-thumb';

/** Risks when the mask comes off, each with its place. */
export function riskAdvice(facts: AdviceInput): Advice[] {
  return [
    ...keptPainted(facts),
    ...weakOver(facts),
    ...youngUnderTape(facts),
    ...unprimed(facts),
    ...unclearedBases(facts),
    ...flakesLeft(facts),
    ...clearOverTape(facts),
    ...contrasts(facts),
  ];
}

const nameOf = (finishes: ReadonlyMap<string, Finish>, id: string): string => finishes.get(id)?.name ?? id;

/** A kept neighbour in the same finish that gets sprayed as well. */
function keptPainted({ problem, sequence, finishes }: AdviceInput): Advice[] {
  return (sequence?.stages ?? []).flatMap(({ open, finish }, stage) =>
    problem.areas.flatMap((area, index) => {
      if (!open[index] || area.finish !== null) return [];
      const { code, ...place } = placeOfArea(problem, index);
      return [
        advice(
          'note',
          { code: 'advice.kept-open', values: { area: code, stage: stage + 1, finish: nameOf(finishes, finish) } },
          place,
        ),
      ];
    }),
  );
}

/** A colour that takes many coats where a better ground was to be had. */
function weakOver({ problem, sequence, finishes }: AdviceInput): Advice[] {
  return (sequence?.stages ?? []).flatMap((stage, index) => {
    const finish = finishes.get(stage.finish) as Finish;
    const areaIndex = stage.open.findIndex(
      (open, area) =>
        open && problem.areas[area]!.finish === stage.finish && before(problem, sequence, index)[area] === stage.under,
    );
    const place = areaIndex < 0 ? null : placeOfArea(problem, areaIndex);
    const values = { stage: index + 1, finish: finish.name, coats: stage.coats };
    if (stage.coatsFrom === 'most')
      return [advice('caution', { code: 'advice.not-hidden', values: values }, place ?? {})];
    if (stage.coatsFrom !== 'hiding' || stage.coats < RULE_OF_THUMB.manyCoats) return [];
    const least = Math.min(
      ...[...finishes.values()]
        .filter(({ system }) => system === finish.system)
        .map(({ colour }) => memoizedCoats(finish, colour === finish.colour ? stage.under : colour).coats),
    );
    return [
      advice(
        'caution',
        {
          code: 'advice.weak',
          values: { ...values, area: place?.code ?? null, least: least < stage.coats ? least : null },
        },
        place ?? {},
      ),
    ];
  });
}

const before = (problem: OrderProblem, sequence: AdviceInput['sequence'], index: number): readonly string[] =>
  index === 0 ? problem.areas.map(({ present }) => present) : (sequence?.stages[index - 1]!.after.colours ?? []);

/** Tape on what never takes it, or on a finish that was too young when the job began. */
function youngUnderTape({ stages, items, sequence, finishes, design, works }: AdviceInput): Advice[] {
  const never = stages.flatMap(({ number }, index) => {
    const film =
      items[index]!.lines.length > 0 &&
      (sequence?.stages[index - 1]?.after.films ?? []).find((other) => other && other.finish.tapeSafeMin === null);
    return film
      ? [advice('caution', { code: 'advice.never-tape', values: { stage: number, finish: film.finish.name } })]
      : [];
  });
  const young = works.flatMap(({ part, presents }) => {
    const taped = items.some(({ lines }) => lines.some((line) => line.part === part.id));
    const ages = presents.flatMap(({ system, ageH }) =>
      taped && system !== 'bare' && isCuring(system, ageH, design.climate) ? [ageH] : [],
    );
    return ages.length > 0 ? [{ part, ageH: Math.min(...ages) }] : [];
  });
  const values = { parts: young.map(({ part }) => part.name), ageH: Math.min(...young.map(({ ageH }) => ageH)) };
  return [
    ...never,
    ...(finishes.size > 0 && young.length > 0
      ? [advice('caution', { code: 'advice.young', values }, { part: young[0]!.part.id })]
      : []),
  ];
}

/** What goes straight onto a bare substrate that should be primed: once a part and finish. */
function unprimed({ works, problem, finishes }: AdviceInput): Advice[] {
  const starts = partOffsets(works).areas;
  return works.flatMap(({ part, presents }, number) => {
    const reported = new Set<string>();
    return presents.flatMap(({ system }, index) => {
      const areaIndex = starts[number]! + index;
      const first = problem.primer?.areas[areaIndex] ? problem.primer.finish : problem.areas[areaIndex]!.finish;
      const finish = first === null ? undefined : finishes.get(first);
      const primer = system === 'bare' && finish ? primerFor(part.substrate, finish.system) : null;
      if (!finish || primer === null || reported.has(finish.id)) return [];
      reported.add(finish.id);
      const { code: _, ...place } = placeOfArea(problem, areaIndex);
      return [
        advice(
          'caution',
          { code: 'advice.bare', values: { part: part.name, substrate: part.substrate, finish: finish.name, primer } },
          place,
        ),
      ];
    });
  });
}

/** A basecoat is nothing without the clear over it. */
function unclearedBases({ problem, finishes }: AdviceInput): Advice[] {
  const bare = new Set(
    problem.areas.flatMap(({ finish }, area) => (finish !== null && !problem.clear?.areas[area] ? [finish] : [])),
  );
  return [...bare].flatMap((id) => {
    const finish = finishes.get(id);
    return finish && PAINT_SYSTEMS[finish.system].fastBase
      ? [advice('caution', { code: 'advice.no-clear', values: { finish: finish.name } })]
      : [];
  });
}

/** Flakes before a solid through the same gun. */
function flakesLeft({ stages, sequence, finishes }: AdviceInput): Advice[] {
  return stages.flatMap(({ number, finish }, index) => {
    if (!sequence || sequence.stages[index]!.change.stripMin === 0) return [];
    const [flakes, solid] = [nameOf(finishes, sequence.stages[index - 1]!.finish), nameOf(finishes, finish)];
    return [advice('note', { code: 'advice.flakes', values: { stage: number, flakes, solid } })];
  });
}

/** A clear applied while masks are still on locks their edges in. */
function clearOverTape({ stages, items, finishes }: AdviceInput): Advice[] {
  return stages.flatMap(({ number, finish, pulls: all }, index) => {
    if (finishes.get(finish)?.effect !== 'clear') return [];
    // Masks on kept areas are meant to stay on; between two colours they are not.
    const pulls = all.filter((earlier) => stages[earlier - 1]!.keep);
    if (pulls.length > 0)
      return [advice('caution', { code: 'advice.trapped', values: { stage: number, stages: pulls.map(String) } })];
    const run = items[index]!.lines.find((line) => line.class === 'crisp');
    return run
      ? [
          advice(
            'note',
            { code: 'advice.clear-edge', values: { stage: number, line: run.lineCode } },
            { part: run.part, line: run.line },
          ),
        ]
      : [];
  });
}

/**
 * Neighbours too near in colour for a line to be seen, or so far apart that it shows every waver.
 * Source: rule of thumb, in CIEDE2000 from a few steps away.
 */
function contrasts({ works, finishes }: AdviceInput): Advice[] {
  // The same two areas are reported once, where they first meet.
  const adviceByPlace = new Map<string, Advice>();
  works.forEach(({ part, arrangement, areaIds, finishes: given, blends, presents }) => {
    const colour = (index: number) => {
      const finish = given[index];
      return (finish && finishes.get(finish)?.colour) || presents[index]!.colour;
    };
    for (const { left, right } of arrangement.borders) {
      const [a, b] = firstTwo([left, right].map((index) => given[index] ?? presents[index]!.finish ?? null));
      if (a === b || blends[left] || blends[right]) continue;
      const names = [a, b].map((id) => (id === null ? '' : nameOf(finishes, id)));
      const key = [...names].sort().join(' ');
      if (adviceByPlace.has(key)) continue;
      const deltaE = colourDifference(reflectanceOf(colour(left)), reflectanceOf(colour(right)));
      // A repair in the colour that is on the part anyway is no line to be seen.
      if ((a === null || b === null) && deltaE < RULE_OF_THUMB.hidingTolerance) continue;
      const place = { part: part.id, area: areaIds[left] };
      if (deltaE < PLAN_RULES.contrastLow)
        adviceByPlace.set(
          key,
          advice(
            'caution',
            { code: 'advice.contrast-low', values: { finishes: names, deltaE, limit: PLAN_RULES.contrastLow } },
            place,
          ),
        );
      if (deltaE > PLAN_RULES.contrastHigh)
        adviceByPlace.set(
          key,
          advice(
            'note',
            { code: 'advice.contrast-high', values: { finishes: names, deltaE, limit: PLAN_RULES.contrastHigh } },
            place,
          ),
        );
    }
  });
  return [...adviceByPlace.values()];
}
