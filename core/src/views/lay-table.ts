import type { Item, Plan } from '../contract';
import type { FeatureId, ItemId, LineId, PartId } from '../kit';

/** One line of the lay list as a table: what, where, how much; lengths in mm. */
export interface LayRow {
  readonly stage: number;
  readonly id: ItemId;
  readonly code: string;
  readonly kind: Item['kind'];
  readonly material: string | null;
  readonly part: PartId;
  /** Code of the line, number of the edge from 1, code of the area, or the opening. */
  readonly where: string;
  readonly line: LineId | null;
  readonly opening: FeatureId | null;
  readonly widthMm: number | null;
  readonly lengthMm: number | null;
  readonly pieces: number;
  readonly sizeM2: number | null;
  readonly count: number;
  /** The stage after which it comes off. */
  readonly until: number;
}

/** The lay list of all stages as a table, in laying order. */
export const layTable = (plan: Pick<Plan, 'items' | 'parts'>): LayRow[] =>
  plan.items.map((item) => ({ ...common(item), ...own(item, plan) }));

const common = ({ stage, id, kind, material, part, count, until }: Item) => ({
  stage,
  id,
  kind,
  material,
  part,
  count,
  until: until.stage,
});

function own(item: Item, { parts }: Pick<Plan, 'parts'>): Omit<LayRow, keyof ReturnType<typeof common>> {
  const none = { code: '', line: null, opening: null, widthMm: null, lengthMm: null, pieces: 1, sizeM2: null };
  switch (item.kind) {
    case 'line':
    case 'soft':
      return {
        ...none,
        code: item.code,
        where: item.lineCode,
        line: item.line,
        widthMm: item.widthMm,
        lengthMm: item.lengthMm,
      };
    case 'backing':
      return {
        ...none,
        code: item.code,
        where: item.lineCode,
        line: item.line,
        widthMm: item.widthMm,
        lengthMm: item.lengthMm,
        pieces: item.pieces,
      };
    case 'seam':
      return { ...none, where: item.lineCode, line: item.line, widthMm: item.widthMm, lengthMm: item.lengthMm };
    case 'rim':
      return { ...none, code: item.code, where: `${item.edge + 1}`, widthMm: item.widthMm, lengthMm: item.lengthMm };
    case 'cover': {
      const area = parts.find(({ id }) => id === item.part)?.areas.find(({ id }) => id === item.area)?.code;
      return { ...none, where: area ?? item.area ?? '', sizeM2: item.sizeM2 };
    }
    case 'own':
      return {
        ...none,
        code: item.code,
        where: item.note,
        widthMm: item.widthMm || null,
        lengthMm: item.lengthMm || null,
        sizeM2: item.sizeM2 || null,
      };
    case 'base':
    case 'lip':
    case 'cap': {
      const { opening, widthMm, lengthMm, pieces } = item;
      return { ...none, where: opening, opening, widthMm: widthMm || null, lengthMm, pieces };
    }
    case 'plug':
      return { ...none, where: item.closing.values.opening, opening: item.opening };
  }
}
