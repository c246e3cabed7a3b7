import * as v from 'valibot';
import { climateSchema } from '../air';
import { type Place, placeSchema } from '../curves';
import { PAINT_SYSTEM_KEYS, PULL_TIMINGS } from '../finish';
import {
  AIMS,
  booleanField,
  faultText,
  type FeatureId,
  type FinishId,
  idText,
  JOB_KINDS,
  type JobKind,
  type LineId,
  listOf,
  messageWithoutValues,
  nameText,
  noteText,
  numberBetween,
  oneOfWords,
  type OwnPieceId,
  type PartId,
  type TapeCode,
  wholeBetween,
} from '../kit';
import { CLOSING_WAYS } from '../surface';
import { partSchema, presentAtSchema } from './part';

/** A finish given to the area of a part that holds a place. */
const areaChoiceSchema = v.strictObject({
  part: idText<PartId>(),
  seed: placeSchema,
  /** Null: the area keeps its finish. */
  finish: v.nullable(idText<FinishId>()),
  /** True where the finish fades out within it instead of ending at a hard edge. */
  blend: v.optional(booleanField()),
  /** False where the clear over the scheme leaves it out. */
  clear: v.optional(booleanField()),
});
export type PartAreaChoice = v.InferOutput<typeof areaChoiceSchema>;

/** Which finish every area gets. */
const schemeSchema = v.strictObject({
  name: v.optional(nameText()),
  areas: listOf(areaChoiceSchema, 'areas', 2000),
  /** Goes under all painted areas first, and over them last; left out: none. */
  primer: v.optional(idText<FinishId>()),
  clear: v.optional(idText<FinishId>()),
});
export type Scheme = v.InferOutput<typeof schemeSchema>;

const pairOf = <K extends string, L extends string>(first: K, second: L) =>
  v.strictObject({ [first]: idText<FinishId>(), [second]: idText<FinishId>() } as Record<
    K | L,
    v.GenericSchema<string, FinishId>
  >);

/** An area that a person wants open or covered while a finish is sprayed. */
const areaPinSchema = v.strictObject({
  part: idText<PartId>(),
  seed: placeSchema,
  finish: idText<FinishId>(),
  open: booleanField(),
});
export type AreaPin = v.InferOutput<typeof areaPinSchema>;

/** A tape a person has chosen for a line of a part, or one side of it; without part and line wherever a line is made. */
const tapePinSchema = v.strictObject({
  part: v.optional(idText<PartId>()),
  line: v.optional(idText<LineId>()),
  side: v.optional(oneOfWords(['left', 'right'])),
  tape: idText<TapeCode>(),
});
export type TapePin = v.InferOutput<typeof tapePinSchema>;

/** An edge a person masks their own way: a line of a part, or one side of it. */
const ownWaySchema = v.strictObject({
  part: idText<PartId>(),
  line: idText<LineId>(),
  side: v.optional(oneOfWords(['left', 'right'])),
  /** Instructions; may be empty. */
  how: noteText(),
});

/**
 * A piece a person lays besides what the plan does, while a finish is sprayed: tape from place to place, or paper or film over the box between
 * them. By way of further places it goes round corners: tape in straight pieces, paper or film with a corner at each place.
 */
const ownPieceSchema = v.strictObject({
  id: idText<OwnPieceId>(),
  part: idText<PartId>(),
  finish: idText<FinishId>(),
  from: placeSchema,
  to: placeSchema,
  /** Places it goes by on its way, in their order. */
  by: v.optional(listOf(placeSchema, 'corners', 20)),
  /** Which tape; null: paper or film. */
  tape: v.nullable(idText<TapeCode>()),
  /** Purpose; may be empty. */
  note: noteText(),
});
export type OwnPiece = v.InferOutput<typeof ownPieceSchema>;

/** The places a piece goes by, from its beginning to its end. */
export const piecePoints = ({ from, by = [], to }: Pick<OwnPiece, 'from' | 'by' | 'to'>): readonly Place[] => [
  from,
  ...by,
  to,
];

/** Corners of paper or film between places: of a box from one to the other, or each place a corner. */
export const pieceCorners = (piece: Pick<OwnPiece, 'from' | 'to' | 'by'>): readonly Place[] => {
  const [from, to] = [piece.from, piece.to];
  return piecePoints(piece).length === 2 ? [from, [to[0], from[1]], to, [from[0], to[1]]] : piecePoints(piece);
};

/** What lies below, the line tape or the backing behind it: for a line of a part, one side of it, or with neither all of the job. */
const layersPinSchema = v.strictObject({
  part: v.optional(idText<PartId>()),
  line: v.optional(idText<LineId>()),
  side: v.optional(oneOfWords(['left', 'right'])),
  first: oneOfWords(['line', 'backing']),
});
export type LayersPin = v.InferOutput<typeof layersPinSchema>;

/** When the tape of one line is pulled, wherever that is not as the rest of its mask. */
const pullPinSchema = v.strictObject({
  part: idText<PartId>(),
  line: idText<LineId>(),
  school: oneOfWords(PULL_TIMINGS),
});
export type PullPin = v.InferOutput<typeof pullPinSchema>;

/** How a person closes an opening of a part. */
const closingPinSchema = v.strictObject({
  part: idText<PartId>(),
  opening: idText<FeatureId>(),
  by: oneOfWords(CLOSING_WAYS),
});
export type ClosingPin = v.InferOutput<typeof closingPinSchema>;

const system = () => v.picklist(PAINT_SYSTEM_KEYS, faultText(messageWithoutValues('field.system')));

/** What a person insists on; what is left out is free. */
const choicesSchema = v.strictObject({
  /** Order of finishes a person has fixed; null: the best found. */
  order: v.nullable(listOf(idText<FinishId>(), 'finishes', 30)),
  /** Pull timing of every line; null: as each finish prefers. */
  school: v.nullable(oneOfWords(PULL_TIMINGS)),
  /** What is wanted most; left out: least work. */
  wish: v.optional(oneOfWords(AIMS)),
  before: v.optional(listOf(pairOf('first', 'then'), 'pairs', 60)),
  pins: v.optional(listOf(areaPinSchema, 'pins', 500)),
  sameGun: v.optional(listOf(pairOf('first', 'second'), 'pairs', 60)),
  /** Whether masks may stay on from colour to colour; left out: on models they may. */
  masks: v.optional(oneOfWords(['fresh', 'free'])),
  /** Masks may stay on past the wanted window as long as the tape comes off clean. */
  late: v.optional(booleanField()),
  mostStages: v.optional(wholeBetween(1, 60)),
  /** Orders that cost no more than this above the cheapest are equals; left out: 10 %. */
  equalPercent: v.optional(numberBetween(0, 50, '%')),
  /** As cheap as can be, also where that sprays colours wider than they stay; left out: the calmest of equals. */
  spread: v.optional(v.literal('wide')),
  /** Tapes a person has chosen: for one run, a line, or, with neither part nor line, wherever it makes the line. */
  tapes: v.optional(listOf(tapePinSchema, 'tapes', 200)),
  /** Tapes that are not used in this job. */
  notTapes: v.optional(listOf(idText<TapeCode>(), 'tapes', 200)),
  /** Edges a person masks their own way; the plan lays no tape there. */
  ownWays: v.optional(listOf(ownWaySchema, 'lines', 200)),
  /** Pieces a person lays besides what the plan does. */
  ownPieces: v.optional(listOf(ownPieceSchema, 'pieces', 100)),
  /** What lies below where a person has turned it round. */
  layers: v.optional(listOf(layersPinSchema, 'lines', 200)),
  /** Openings a person closes otherwise than is usual. A part that follows its opposite takes what is chosen there until it has its own. */
  closings: v.optional(listOf(closingPinSchema, 'openings', 500)),
  /** One person does it alone: what takes several to pull it in time is painted and pulled in sections. */
  alone: v.optional(v.literal(true)),
  /** Lines with a pull timing of their own. */
  pulls: v.optional(listOf(pullPinSchema, 'lines', 200)),
  /** Pairs of systems a person vouches for, with why. */
  vouched: v.optional(listOf(v.strictObject({ lower: system(), upper: system(), note: noteText() }), 'pairs', 60)),
});
export type DesignChoices = v.InferOutput<typeof choicesSchema>;

/** Version of designs this program writes. */
export const DESIGN_VERSION = 3;

/** A design in the current version. */
export const newestDesignSchema = v.strictObject({
  version: v.literal(DESIGN_VERSION, faultText({ code: 'field.version', values: { newest: DESIGN_VERSION } })),
  title: nameText(),
  kind: oneOfWords(JOB_KINDS),
  /** 1 for full size, 48 for 1:48. */
  scale: numberBetween(1, 1000),
  climate: climateSchema,
  parts: listOf(partSchema, 'parts', 50),
  scheme: schemeSchema,
  /** Areas on which something else is now than on the rest of their part. */
  presentAt: v.optional(listOf(presentAtSchema, 'areas', 500)),
  /** What the parts belong to, where it stays clean as a whole: film that covers it, m². Left out: typical of its kind. */
  bodyM2: v.optional(numberBetween(0.001, 5000, 'm²')),
  /** Other schemes, kept for comparison. */
  others: v.optional(listOf(schemeSchema, 'schemes', 9)),
  choices: choicesSchema,
});
export type Design = v.InferOutput<typeof newestDesignSchema>;

/**
 * Everything a person decides about a job; the plan follows from it. Designs of older versions are upgraded on
 * reading.
 */
export const designSchema = v.pipe(v.unknown(), v.transform(upgradeDesign), newestDesignSchema);

/**
 * Upgrades a design to the current version step by step; other data, and newer versions, are returned unchanged.
 * Version 1 contained the unit of lengths, which is a setting of the person now; version 2 could not say how an opening is closed: each is
 * closed as is usual.
 */
export function upgradeDesign(data: unknown): unknown {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) return data;
  if (!('version' in data)) {
    const { unit: _, ...rest } = data as Record<string, unknown>;
    return upgradeDesign({ version: 2, ...rest });
  }
  return data.version === 2 ? { ...data, version: DESIGN_VERSION } : data;
}

/** A design with nothing on it yet. */
export function emptyDesign(title: string, kind: JobKind): Design {
  return {
    version: DESIGN_VERSION,
    title,
    kind,
    scale: 1,
    climate: { airC: 20, rhPercent: 50, surfaceC: null, movement: 'normal' },
    parts: [],
    scheme: { areas: [] },
    choices: { order: null, school: null },
  };
}

/** A place at which a design names a finish, by its keys. */
export interface FinishReference {
  readonly keys: readonly (string | number)[];
  readonly finish: FinishId;
}

/** Every place at which a design names a finish. */
export function finishReferences(design: Design): FinishReference[] {
  const named: { keys: (string | number)[]; finish: FinishId }[] = [];
  const add = (finish: FinishId | null | undefined, ...keys: (string | number)[]) =>
    finish && named.push({ keys, finish });
  const scheme = ({ areas, primer, clear }: Scheme, ...keys: (string | number)[]) => {
    areas.forEach(({ finish }, index) => add(finish, ...keys, 'areas', index, 'finish'));
    add(primer, ...keys, 'primer');
    add(clear, ...keys, 'clear');
  };
  scheme(design.scheme, 'scheme');
  design.others?.forEach((other, index) => scheme(other, 'others', index));
  const { order, before, pins, sameGun, ownPieces } = design.choices;
  order?.forEach((id, index) => add(id, 'choices', 'order', index));
  before?.forEach(({ first, then }, index) => [
    add(first, 'choices', 'before', index, 'first'),
    add(then, 'choices', 'before', index, 'then'),
  ]);
  pins?.forEach(({ finish }, index) => add(finish, 'choices', 'pins', index, 'finish'));
  ownPieces?.forEach(({ finish }, index) => add(finish, 'choices', 'ownPieces', index, 'finish'));
  sameGun?.forEach(({ first, second }, index) => [
    add(first, 'choices', 'sameGun', index, 'first'),
    add(second, 'choices', 'sameGun', index, 'second'),
  ]);
  design.parts.forEach(({ present }, index) => add(present.finish, 'parts', index, 'present', 'finish'));
  design.presentAt?.forEach(({ finish }, index) => add(finish, 'presentAt', index, 'finish'));
  return named;
}

/** The same design with its finishes under other ids. */
export function renameFinishes(design: Design, follow: (id: string) => string): Design {
  const next = structuredClone(design);
  for (const { keys, finish } of finishReferences(design)) {
    // The keys come from the design itself: every step but the last leads to an object or an array.
    const place = keys
      .slice(0, -1)
      .reduce<unknown>((node, key) => (node as Record<string | number, unknown>)[key], next) as Record<
      string | number,
      unknown
    >;
    place[keys.at(-1)!] = follow(finish);
  }
  return next;
}
