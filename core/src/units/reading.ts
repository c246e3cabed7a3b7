/** What came of reading something a person typed: the value, or a sentence saying what was expected. */
export type Reading<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** Wraps a value that was understood. */
export const understood = <T>(value: T): Reading<T> => ({ ok: true, value });

/** Wraps a refusal; `message` is shown at the field as it stands. */
export const refused = (message: string): Reading<never> => ({ ok: false, message });
