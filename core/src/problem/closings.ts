import type { Design } from '../job';
import { type FeatureId, isModelScale, type PartId } from '../kit';
import { mirroredPart } from '../lines';
import { closingMethod, type Opening, type OpeningMessage } from '../masking';
import type { PartWork } from '../setout';
import type { ClosingWay } from '../surface';

/** How one opening is closed. */
export interface OpeningClosing {
  readonly opening: FeatureId;
  readonly closing: OpeningMessage;
}

/** The openings of a part; one measured from a missing datum is skipped. */
export const openingsOn = ({ setOut }: PartWork): Opening[] =>
  (setOut.board.shape.features ?? []).flatMap((feature) =>
    feature.kind === 'opening' && setOut.features.some(({ id }) => id === feature.id) ? [feature] : [],
  );

/** The way a person has chosen for an opening; null: the usual one. A part that follows its opposite takes what is chosen there. */
export function chosenWay({ choices, parts }: Design, part: PartId, opening: FeatureId): ClosingWay | null {
  const { closings = [] } = choices;
  const of = (id: PartId) => closings.find((pin) => pin.part === id && pin.opening === opening)?.by ?? null;
  const own = parts.find(({ id }) => id === part);
  const source = own && mirroredPart(own, parts);
  return of(part) ?? (source ? of(source.id) : null);
}

/**
 * What closes the openings of a part; nothing where a person leaves one open.
 * @param name of the part, if it is shown
 */
export const openingClosings = (work: PartWork, name: string | null, design: Design): OpeningClosing[] =>
  openingsOn(work).flatMap((opening): OpeningClosing[] => {
    const { id, count } = work.part;
    const way = chosenWay(design, id, opening.id);
    const closing = closingMethod(opening, name, count, isModelScale(design.scale), way);
    return closing === null ? [] : [{ opening: opening.id, closing }];
  });
