import { closingOf, type OpeningSaid } from '../masking';
import type { PartWork } from '../setout';
import type { FeatureId } from '../units';

/** How one opening is closed. */
export interface Closing {
  readonly opening: FeatureId;
  readonly closing: OpeningSaid;
}

/**
 * How the openings of a part are closed; one that is measured from a datum that is gone is nowhere.
 * @param name of the part, where it is told
 */
export const closingsOf = ({ part, setOut }: PartWork, name: string | null, model: boolean): Closing[] =>
  (setOut.board.shape.features ?? []).flatMap((opening): Closing[] =>
    opening.kind === 'opening' && setOut.features.some(({ id }) => id === opening.id)
      ? [{ opening: opening.id, closing: closingOf(opening, name, part.count, model) }]
      : [],
  );
