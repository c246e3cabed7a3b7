import type { Plan } from '../contract';
import type { AreaId, PartId } from '../kit';

/** What a scheme takes, all stages together. */
export interface SchemeTotals {
  readonly stages: number;
  readonly coats: number;
  readonly workMin: number;
  readonly endMin: number;
  readonly tapeM: number;
  readonly paintMl: number;
}

/** What two schemes of one job differ in. */
export interface SchemeComparison {
  /** Areas with different finishes; null: kept. */
  readonly areas: readonly {
    readonly part: PartId;
    readonly area: AreaId;
    readonly first: string | null;
    readonly second: string | null;
    readonly sizeM2: number;
  }[];
  readonly first: SchemeTotals;
  readonly second: SchemeTotals;
}

/**
 * Compares the plans of two schemes of one job.
 * @param first and @param second plans of the same parts and lines
 */
export function compareSchemes(first: Plan, second: Plan): SchemeComparison {
  const areas = first.parts.flatMap((part) => {
    const other = second.parts.find(({ id }) => id === part.id);
    return part.areas.flatMap(({ code, finish, sizeM2 }) => {
      const otherArea = other?.areas.find((area) => area.code === code);
      return otherArea && otherArea.finish !== finish
        ? [{ part: part.id, area: code, first: finish, second: otherArea.finish, sizeM2: sizeM2 * part.count }]
        : [];
    });
  });
  return { areas, first: totals(first), second: totals(second) };
}

function totals(plan: Plan): SchemeTotals {
  const sum = (pick: (stage: Plan['stages'][number]) => number) =>
    plan.stages.reduce((all, stage) => all + pick(stage), 0);
  const planned = plan.orders.find(({ chosen }) => chosen);
  return {
    stages: plan.stages.length,
    coats: sum(({ coats }) => coats),
    workMin: planned?.workMin ?? 0,
    endMin: planned?.endMin ?? 0,
    tapeM: sum(({ tapeM }) => tapeM),
    paintMl: sum(({ paint }) => paint.ml),
  };
}
