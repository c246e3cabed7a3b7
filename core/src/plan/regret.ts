import { colourDifference, reflectanceOf, type Finish } from '../finish';
import { rememberedCoats, strippedBefore, type OrderProblem } from '../order';
import { RULE_OF_THUMB } from '../units';
import { advice, type AdviceGround } from './advice-ground';
import { placeOfArea } from './order-problem';
import type { Advice } from './types';

/** What a person would be sorry for when the mask comes off, each with its place. */
export function regrets(ground: AdviceGround): Advice[] {
  return [...keptPainted(ground), ...weakOver(ground), ...youngUnderTape(ground), ...flakesLeft(ground), ...clearOverTape(ground), ...contrasts(ground)];
}

const nameOf = (finishes: ReadonlyMap<string, Finish>, id: string): string => finishes.get(id)?.name ?? id;

/** A kept neighbour in the same finish that is sprayed along. */
function keptPainted({ problem, sequence, finishes }: AdviceGround): Advice[] {
  return (sequence?.stages ?? []).flatMap(({ open, finish }, stage) =>
    problem.areas.flatMap((area, index) => {
      const place = placeOfArea(problem, index);
      return open[index] && area.finish === null
        ? [
            advice(
              'note',
              `${place.area} is kept and stays open in stage ${stage + 1}: it is in ${nameOf(finishes, finish)} already. Cover it by a pin if it must not be touched.`,
              place,
            ),
          ]
        : [];
    }),
  );
}

/** A colour that takes many coats where a better ground was to be had. */
function weakOver({ problem, sequence, finishes }: AdviceGround): Advice[] {
  return (sequence?.stages ?? []).flatMap((stage, index) => {
    const finish = finishes.get(stage.finish) as Finish;
    const at = stage.open.findIndex(
      (open, area) => open && problem.areas[area].finish === stage.finish && before(problem, sequence, index)[area] === stage.under,
    );
    const place = at < 0 ? {} : placeOfArea(problem, at);
    if (stage.coatsFrom === 'most')
      return [
        advice(
          'caution',
          `Stage ${index + 1}: ${finish.name} does not hide what is below even in ${stage.coats} coats. Put a lighter or closer colour under it.`,
          place,
        ),
      ];
    if (stage.coatsFrom !== 'hiding' || stage.coats < RULE_OF_THUMB.manyCoats) return [];
    const least = Math.min(
      ...[...finishes.values()]
        .filter(({ system }) => system === finish.system)
        .map(({ colour }) => rememberedCoats(finish, colour === finish.colour ? stage.under : colour).coats),
    );
    const instead = least < stage.coats ? ` Over a better ground ${least} would do.` : '';
    return [
      advice(
        'caution',
        `Stage ${index + 1}: ${finish.name} is weak over what is below ${at < 0 ? '' : `on ${placeOfArea(problem, at).area} `}and takes ${stage.coats} coats (estimate).${instead}`,
        place,
      ),
    ];
  });
}

const before = (problem: OrderProblem, sequence: AdviceGround['sequence'], index: number): readonly string[] =>
  index === 0 ? problem.areas.map(({ present }) => present) : (sequence?.stages[index - 1].after.colours ?? []);

/** Tape on what never takes it, or on a finish that was too young when the job began. */
function youngUnderTape({ stages, sequence, finishes, design }: AdviceGround): Advice[] {
  const never = stages.flatMap(({ number, runs }, index) => {
    const lies = runs.length > 0 && (sequence?.stages[index - 1]?.after.films ?? []).find((film) => film && film.finish.tapeSafeMin === null);
    return lies
      ? [advice('caution', `Stage ${number}: tape lies on ${lies.finish.name}, which never takes tape well. Change the order or mask over paper.`)]
      : [];
  });
  const young = design.parts.flatMap(({ id, name, present }) => {
    const fresh = present.system !== 'bare' && present.ageH > 0 && present.ageH < FRESH_H;
    const taped = stages.some(({ runs }) => runs.some(({ part }) => part === id));
    return fresh && taped
      ? [advice('caution', `${name}: its finish is ${present.ageH} h old. Use the gentlest tape that holds, try a hidden place first.`, { part: id })]
      : [];
  });
  return [...never, ...(finishes.size > 0 ? young : [])];
}

/** A finish younger than this is weak under tape, h (rule of thumb). */
const FRESH_H = 72;

/** Flakes before a solid through the same gun. */
function flakesLeft({ problem, stages, sequence, finishes }: AdviceGround): Advice[] {
  return stages.flatMap(({ number, finish }, index) => {
    if (!sequence || !strippedBefore(problem, sequence.stages, index)) return [];
    const [flakes, solid] = [sequence.stages[index - 1].finish, finish].map((id) => nameOf(finishes, id));
    return [
      advice(
        'note',
        `Stage ${number}: strip the gun right down before ${solid}; flakes of ${flakes} left in it ruin a solid colour. A second gun spares that.`,
      ),
    ];
  });
}

/** A clear that goes on while masks are still there traps their edges. */
function clearOverTape({ stages, finishes }: AdviceGround): Advice[] {
  return stages.flatMap(({ number, finish, pulls, runs, pictures }) => {
    if (finishes.get(finish)?.effect !== 'clear') return [];
    if (pulls.length > 0)
      return [
        advice('caution', `Stage ${number}: masks of stage ${pulls.join(' and ')} are still on under the clear: their edges are trapped. Pull them first.`),
      ];
    const [run] = runs.filter(({ crisp }) => crisp);
    return run && pictures.length > 0
      ? [
          advice('note', `Stage ${number}: the clear ends at a tape edge along ${run.lineCode}. Pull it while it is wet, or clear right over and flat it.`, {
            part: run.part,
            line: run.line,
          }),
        ]
      : [];
  });
}

/**
 * Neighbours too near in colour for a line to be seen, or so far apart that it shows every waver.
 * Source: rule of thumb, in CIEDE2000 from a few steps away.
 */
function contrasts({ works, finishes }: AdviceGround): Advice[] {
  // The same two are told once, at the first place they meet.
  const told = new Map<string, Advice>();
  works.forEach(({ part, arrangement, finishes: given, blends }) => {
    const colour = (index: number) => {
      const finish = given[index];
      return (finish && finishes.get(finish)?.colour) || part.present.colour;
    };
    for (const { left, right } of arrangement.borders) {
      const [a, b] = [left, right].map((index) => given[index] ?? part.present.finish ?? null);
      if (a === b || blends[left] || blends[right]) continue;
      const names = [a, b].map((id) => (id === null ? 'what is kept' : nameOf(finishes, id)));
      const key = [...names].sort().join(' ');
      if (told.has(key)) continue;
      const difference = colourDifference(reflectanceOf(colour(left)), reflectanceOf(colour(right)));
      const place = { part: part.id, area: arrangement.areas[left].code };
      if (difference < RULE_OF_THUMB.contrastLow)
        told.set(
          key,
          advice(
            'caution',
            `${names.join(' and ')} differ by ΔE ${difference.toFixed(1)}: under ${RULE_OF_THUMB.contrastLow} a line between them is hardly seen from a few steps away (rule of thumb).`,
            place,
          ),
        );
      if (difference > RULE_OF_THUMB.contrastHigh)
        told.set(
          key,
          advice(
            'note',
            `${names.join(' and ')} differ by ΔE ${difference.toFixed(0)}: over ${RULE_OF_THUMB.contrastHigh} a hard edge shows every waver, and any bleed (rule of thumb). Seal the edge.`,
            place,
          ),
        );
    }
  });
  return [...told.values()];
}
