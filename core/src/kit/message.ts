/**
 * A figure or a name in something that is said: mm, m², minutes, µm, °C, ids, codes, or what a person typed; undefined where an older
 * plan did not say it.
 */
export type MessageValue =
  string | number | boolean | null | undefined | readonly string[] | readonly number[] | Message | readonly Message[];

/**
 * Something to be told, as a code and the values that belong to it. It holds no sentence: `words/` says it in a language and in the
 * person's units. Nothing decides by the words that come of it.
 */
export interface Message {
  readonly code: string;
  readonly values: Readonly<Record<string, MessageValue>>;
}

/** Everything a room may say: one `Message` for each code of a table `code → its values`. */
export type MessageOf<Table> = {
  readonly [Code in keyof Table & string]: { readonly code: Code; readonly values: Table[Code] };
}[keyof Table & string];

/** The values of a code that has none. */
export type NoValues = Readonly<Record<string, never>>;

/** Says something with its values. */
export const message = <Code extends string, Values extends Message['values']>(
  code: Code,
  values: Values,
): { readonly code: Code; readonly values: Values } => ({
  code,
  values,
});

/** Says something that has no values. */
export const messageWithoutValues = <Code extends string>(
  code: Code,
): { readonly code: Code; readonly values: NoValues } => ({ code, values: {} });
