/** Orders two texts by their characters, the same on every machine, unlike an order by language. */
export const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** A text shortened to a number of characters, with an ellipsis. */
export const truncate = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most)}…` : text);
