import type { FeatureId } from '../kit';
import { closingMethod, type OpeningMessage } from '../masking';
import type { PartWork } from '../setout';

/** How one opening is closed. */
export interface OpeningClosing {
  readonly opening: FeatureId;
  readonly closing: OpeningMessage;
}

/**
 * How the openings of a part are closed; one that is measured from a datum that is gone is nowhere.
 * @param name of the part, where it is told
 */
export const openingClosings = ({ part, setOut }: PartWork, name: string | null, model: boolean): OpeningClosing[] =>
  (setOut.board.shape.features ?? []).flatMap((opening): OpeningClosing[] =>
    opening.kind === 'opening' && setOut.features.some(({ id }) => id === opening.id)
      ? [{ opening: opening.id, closing: closingMethod(opening, name, part.count, model) }]
      : [],
  );
