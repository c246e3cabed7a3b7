/** A short id not used yet: a letter and a number. */
export function freeId(letter: string, used: readonly string[]): string {
  for (let number = used.length + 1; ; number++) {
    const id = `${letter}${number}`;
    if (!used.includes(id)) return id;
  }
}
