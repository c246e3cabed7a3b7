import type { Design, DesignChoices } from '../job';

/** The design with some choices made otherwise. */
export const withChoices = (design: Design, update: Partial<DesignChoices>): Design => ({
  ...design,
  choices: { ...design.choices, ...update },
});

/**
 * The design with its order of coats chosen by hand.
 * @param wide true where that order sprays more beyond its areas than what is planned: it is taken as it was shown
 */
export function withOrder(design: Design, order: readonly string[], wide: boolean): Design {
  const { spread: _, ...choices } = design.choices;
  return { ...design, choices: { ...choices, order: [...order], ...(wide ? { spread: 'wide' as const } : {}) } };
}

/** The design with everything chosen anew that a person had settled about order and masks. */
export function withoutOrder(design: Design): Design {
  const { before: _before, pins: _pins, sameGun: _gun, spread: _spread, ...rest } = design.choices;
  return { ...design, choices: { ...rest, order: null } };
}

/** The design with one more pair of systems a person vouches for. */
export const withVouchedPair = (design: Design, pair: NonNullable<DesignChoices['vouched']>[number]): Design =>
  withChoices(design, { vouched: [...(design.choices.vouched ?? []), pair] });
