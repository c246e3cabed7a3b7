import { isKeptForGood } from '../masking';
import type { OrderProblem, Progress } from '../stage';

/**
 * How often a bound may charge the masks on kept areas: in every stage; once per edge (in the stage of the colour
 * beside it, and once for the cover); or not at all, because they are on or may be.
 */
type OuterCharge = 'every' | 'once' | 'none';

/** What bounds need to know of masks that stay on through several coats. */
export interface OuterCharges {
  /** By area: never painted. */
  readonly areas: readonly boolean[];
  /** @param done finishes sprayed before, as bits; null where that is not known */
  readonly charge: (part: number, finish: number, done: number | null) => OuterCharge;
  /** True if masks on kept areas of a part may stay on after a stage of this finish. */
  readonly mayStay: (part: number, finish: number) => boolean;
}

/** Finishes by number, parts by number. */
interface Numbers {
  readonly own: readonly number[];
  readonly part: readonly number[];
  readonly partNames: readonly string[];
}

/** Computes the charges of masks on kept areas: see `masksKeptAfter` for when they stay on. */
export function outerCharges(
  { areas, rules, clear }: OrderProblem,
  start: Progress,
  { own, part, partNames }: Numbers,
): OuterCharges {
  const colours = partNames.map(() => 0);
  const finishing = partNames.map(() => 0);
  own.forEach((finish, area) => {
    if (finish < 0) return;
    colours[part[area]!]! |= 1 << finish;
    if (!clear?.areas[area]) finishing[part[area]!]! |= 1 << finish;
  });
  const primed = partNames.map((name) => start.kept.some((mask) => mask.part === name));
  const goesOn = (charged: number) => colours[charged]! & ~finishing[charged]!;
  return {
    areas: areas.map(isKeptForGood),
    charge: (charged, finish, done) => {
      if (!rules.through) return 'every';
      if (goesOn(charged) !== 0) return !primed[charged] && (colours[charged]! >> finish) & 1 ? 'once' : 'none';
      if (!primed[charged]) return 'every';
      return done !== null && (done & colours[charged]!) !== 0 ? 'every' : 'none';
    },
    mayStay: (charged, finish) =>
      rules.through &&
      ((colours[charged]! >> finish) & 1
        ? ((finishing[charged]! >> finish) & 1) === 0
        : primed[charged] || goesOn(charged) !== 0),
  };
}
