/**
 * A short id that is not used yet.
 * @param letter what it begins with; a number follows
 */
export function unusedId(letter: string, used: readonly string[]): string {
  for (let number = used.length + 1; ; number++) {
    const id = `${letter}${number}`;
    if (!used.includes(id)) return id;
  }
}
