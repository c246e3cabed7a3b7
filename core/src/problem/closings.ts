import type { FeatureId } from '../kit';
import { closingMethod, type OpeningMessage } from '../masking';
import type { PartWork } from '../setout';

/** How one opening is closed. */
export interface OpeningClosing {
  readonly opening: FeatureId;
  readonly closing: OpeningMessage;
}

/**
 * Closing methods of the openings of a part; one measured from a missing datum is skipped.
 * @param name of the part, if it is shown
 */
export const openingClosings = ({ part, setOut }: PartWork, name: string | null, model: boolean): OpeningClosing[] =>
  (setOut.board.shape.features ?? []).flatMap((opening): OpeningClosing[] =>
    opening.kind === 'opening' && setOut.features.some(({ id }) => id === opening.id)
      ? [{ opening: opening.id, closing: closingMethod(opening, name, part.count, model) }]
      : [],
  );
