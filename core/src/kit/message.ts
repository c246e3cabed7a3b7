/**
 * A figure or name in a message: mm, m², minutes, µm, °C, ids, codes, or text typed by a person; undefined if
 * missing in an older plan.
 */
type MessageValue =
  string | number | boolean | null | undefined | readonly string[] | readonly number[] | Message | readonly Message[];

/**
 * A message: a code and its values. It contains no sentence: `words/` renders it in the person's language and units.
 * No logic depends on the rendered text.
 */
export interface Message {
  readonly code: string;
  readonly values: Readonly<Record<string, MessageValue>>;
}

/** All messages of a folder: one `Message` per code of a table `code → its values`. */
export type MessageOf<Table> = {
  readonly [Code in keyof Table & string]: { readonly code: Code; readonly values: Table[Code] };
}[keyof Table & string];

/** The values of a code that has none. */
export type NoValues = Readonly<Record<string, never>>;

/** Makes a message. */
export const message = <Code extends string, Values extends Message['values']>(
  code: Code,
  values: Values,
): { readonly code: Code; readonly values: Values } => ({
  code,
  values,
});

/** Makes a message that has no values. */
export const messageWithoutValues = <Code extends string>(
  code: Code,
): { readonly code: Code; readonly values: NoValues } => ({ code, values: {} });
