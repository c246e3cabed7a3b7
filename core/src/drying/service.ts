import { type DryingAir, dryingRate } from '../air';
import type { Finish } from '../finish';
import { filmOf } from './film';
import { DRYING_RULES } from './rules-of-thumb';
import { buildFactor, safeFactor } from './window';

/** What a painted piece goes back to, from the lightest to the hardest. */
export const SERVICES = ['hardware', 'polish', 'wash', 'water', 'flight'] as const;
export type Service = (typeof SERVICES)[number];

/** When a film may be used like this, minutes after its last coat; `soft`: it is not fully cured by then. */
export interface ReturnToService {
  readonly service: Service;
  readonly afterMin: number;
  readonly soft: boolean;
}

/**
 * When a film may go back to work: shares of its cure, and never before it is through (rules of thumb; the data sheet has the last word).
 * @param buildUm the film, µm dry
 * @returns empty for a film that does not cure by itself, such as a base under clear
 */
export function returnToService(finish: Finish, buildUm: number, air: DryingAir): ReturnToService[] {
  const { cureH, throughMin } = finish;
  if (cureH === null) return [];
  const { activationKj, waterborne } = filmOf(finish);
  const factor = buildFactor(finish, buildUm);
  const clock = (minutes: number) =>
    (minutes * factor * safeFactor(factor)) / dryingRate(activationKj, waterborne, air);
  return SERVICES.map((service) => {
    const share = DRYING_RULES.serviceShareOfCure[service];
    return { service, afterMin: Math.max(clock(throughMin), clock(cureH * 60 * share)), soft: share < 1 };
  });
}
