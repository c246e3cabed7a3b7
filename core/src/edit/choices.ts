import type { Design, DesignChoices } from '../job';

/** The design with some choices made otherwise. */
export const withChoices = (design: Design, update: Partial<DesignChoices>): Design => ({
  ...design,
  choices: { ...design.choices, ...update },
});

/**
 * The design with an order of coats chosen by a person.
 * @param wide true if that order sprays beyond its areas more than the planned one: it is taken as shown
 */
export function withOrder(design: Design, order: readonly string[], wide: boolean): Design {
  const { spread: _, ...choices } = design.choices;
  return { ...design, choices: { ...choices, order: [...order], ...(wide ? { spread: 'wide' as const } : {}) } };
}

/** The design with all choices about order and masks removed. */
export function withoutOrder(design: Design): Design {
  const { before: _before, pins: _pins, sameGun: _gun, spread: _spread, ...rest } = design.choices;
  return { ...design, choices: { ...rest, order: null } };
}

/** The design with one more pair of systems a person vouches for. */
export const withVouchedPair = (design: Design, pair: NonNullable<DesignChoices['vouched']>[number]): Design =>
  withChoices(design, { vouched: [...(design.choices.vouched ?? []), pair] });
