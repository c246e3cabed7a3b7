/**
 * The order in which things made from one another are made, so that what a thing is made from comes before it. Works along chains
 * of any length without growing the stack.
 * @param wanted what is asked for
 * @param madeFrom what one of them is made from
 * @returns everything asked for and everything behind it, each once; those made from themselves come in an order that is as good as any
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
