/** A queue that gives out what comes soonest; equals in the order they came. */
export class PriorityQueue<T> {
  private readonly items: { readonly value: T; readonly number: number }[] = [];
  private count = 0;

  constructor(private readonly sooner: (first: T, other: T) => boolean) {}

  first(): T | undefined {
    return this.items[0]?.value;
  }

  push(value: T): void {
    let index = this.items.push({ value, number: this.count++ }) - 1;
    while (index > 0 && this.before(index, (index - 1) >> 1)) {
      this.swap(index, (index - 1) >> 1);
      index = (index - 1) >> 1;
    }
  }

  pop(): T | undefined {
    if (this.items.length === 0) return undefined;
    this.swap(0, this.items.length - 1);
    const last = this.items.pop();
    for (let index = 0; ;) {
      const children = [2 * index + 1, 2 * index + 2].filter((child) => child < this.items.length);
      const best = children.reduce((first, other) => (this.before(other, first) ? other : first), index);
      if (best === index) return last?.value;
      this.swap(index, best);
      index = best;
    }
  }

  private before(first: number, other: number): boolean {
    const a = this.items[first]!;
    const b = this.items[other]!;
    return this.sooner(a.value, b.value) || (!this.sooner(b.value, a.value) && a.number < b.number);
  }

  private swap(first: number, other: number): void {
    [this.items[first], this.items[other]] = [this.items[other]!, this.items[first]!];
  }
}
