/**
 * Topological order: everything comes after what it is made from. Handles chains of any length without recursion.
 * @param wanted what is needed
 * @param madeFrom direct dependencies
 * @returns everything needed with all dependencies, each once; members of a cycle in any order
 */
export function dependencyOrder<T>(
  wanted: readonly T[],
  keyOf: (thing: T) => string,
  madeFrom: (thing: T) => readonly T[],
): T[] {
  const begun = new Set<string>();
  const ordered: T[] = [];
  const stack: { readonly one: T; readonly behind: readonly T[]; next: number }[] = [];
  const begin = (thing: T) => {
    if (begun.has(keyOf(thing))) return;
    begun.add(keyOf(thing));
    stack.push({ one: thing, behind: madeFrom(thing), next: 0 });
  };
  for (const asked of wanted) {
    begin(asked);
    while (stack.length > 0) {
      const top = stack.at(-1)!;
      if (top.next < top.behind.length) begin(top.behind[top.next++]!);
      else {
        ordered.push(top.one);
        stack.pop();
      }
    }
  }
  return ordered;
}
