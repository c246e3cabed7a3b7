/** A queue that gives out what comes soonest; equals in the order they came. */
export class PriorityQueue<T> {
  private readonly items: { readonly value: T; readonly number: number }[] = [];
  private count = 0;

  constructor(private readonly sooner: (one: T, other: T) => boolean) {}

  first(): T | undefined {
    return this.items[0]?.value;
  }

  push(value: T): void {
    let at = this.items.push({ value, number: this.count++ }) - 1;
    while (at > 0 && this.before(at, (at - 1) >> 1)) {
      this.swap(at, (at - 1) >> 1);
      at = (at - 1) >> 1;
    }
  }

  pop(): T | undefined {
    if (this.items.length === 0) return undefined;
    this.swap(0, this.items.length - 1);
    const last = this.items.pop();
    for (let at = 0; ;) {
      const children = [2 * at + 1, 2 * at + 2].filter((child) => child < this.items.length);
      const best = children.reduce((one, other) => (this.before(other, one) ? other : one), at);
      if (best === at) return last?.value;
      this.swap(at, best);
      at = best;
    }
  }

  private before(one: number, other: number): boolean {
    const a = this.items[one]!;
    const b = this.items[other]!;
    return this.sooner(a.value, b.value) || (!this.sooner(b.value, a.value) && a.number < b.number);
  }

  private swap(one: number, other: number): void {
    [this.items[one], this.items[other]] = [this.items[other]!, this.items[one]!];
  }
}
