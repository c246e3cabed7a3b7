declare const names: unique symbol;

/**
 * An id of one kind of thing, which the compiler does not accept where another kind is expected. Typed or parsed
 * text is accepted as any kind.
 */
type Id<Thing extends string> = string & { readonly [names]?: Thing };
export type PartId = Id<'part'>;
export type LineId = Id<'line'>;
export type DatumId = Id<'datum'>;
export type FeatureId = Id<'feature'>;
/** Lasting: the lines round it. */
export type AreaId = Id<'area'>;
export type FinishId = Id<'finish'>;
export type TapeCode = Id<'tape'>;
export type SupplyCode = Id<'supply'>;
export type OwnPieceId = Id<'own piece'>;

/** A key composed of several ids. It is made in one place and never taken apart. */
type Ref<Thing extends string> = string & { readonly [names]: Thing };
/** An area of a job: part and area. */
export type AreaRef = Ref<'area of a job'>;
/** Something laid for a stage. */
export type ItemId = Ref<'item'>;
/** A step of a plan. */
export type StepId = Ref<'step'>;
/** One mix of one finish: the finish, and how often it was mixed before. */
export type SessionId = Ref<'session'>;

/** Names an area across parts. */
export const areaRef = (part: PartId, area: AreaId): AreaRef => `${part}/${area}` as AreaRef;
