import { type DryingAir, dryingRate } from '../air';
import { buildFactor, safeFactor } from '../drying';
import { type Finish, PAINT_SYSTEMS, type PaintSystemKey, typicalFigures } from '../finish';

/** Ages of a film that decide what may follow it, minutes on the clock. */
export interface FilmAgeMarks {
  readonly system: PaintSystemKey;
  readonly flashMin: number;
  readonly touchMin: number;
  /** Windows in which it may be coated without abrading; null: no end. */
  readonly recoat: readonly { readonly fromMin: number; readonly toMin: number | null }[];
  readonly throughMin: number;
  /** Null where the system states no cure. */
  readonly cureMin: number | null;
}

/** What the marks are taken from: a finish on the shelf, or the typical figures of a system. */
type Figures = Pick<
  Finish,
  'system' | 'flashMin' | 'touchMin' | 'throughMin' | 'recoat' | 'cureH' | 'activationKj' | 'referenceBuildUm'
>;

/**
 * Marks of a film in the air of the day.
 * @param buildUm dry film, µm; left out: the build its times are stated for
 */
export function filmAgeMarks(
  figures: Figures,
  air: DryingAir,
  buildUm: number = figures.referenceBuildUm,
): FilmAgeMarks {
  const rate = dryingRate(figures.activationKj, PAINT_SYSTEMS[figures.system].waterborne, air);
  const factor = buildFactor(figures, buildUm);
  const clock = (minutes: number) => (minutes * factor) / rate;
  return {
    system: figures.system,
    flashMin: clock(figures.flashMin),
    touchMin: clock(figures.touchMin),
    recoat: figures.recoat.map(({ fromMin, toMin }) => ({
      fromMin: clock(fromMin),
      toMin: toMin === null ? null : clock(toMin),
    })),
    throughMin: clock(figures.throughMin) * safeFactor(factor),
    cureMin: figures.cureH === null ? null : clock(figures.cureH * 60) * safeFactor(factor),
  };
}

/** Marks of a system nothing more is known of. */
export const typicalAgeMarks = (system: PaintSystemKey, air: DryingAir, buildUm?: number): FilmAgeMarks =>
  filmAgeMarks({ system, ...typicalFigures(system) }, air, buildUm);

/** True for paint that is younger than the typical cure of its system in this air; false where the system states none. */
export function isCuring(system: PaintSystemKey, ageH: number, air: DryingAir): boolean {
  const { cureMin } = typicalAgeMarks(system, air);
  return cureMin !== null && ageH * 60 < cureMin;
}
