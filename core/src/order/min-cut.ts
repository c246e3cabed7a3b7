import { TOLERANCE } from '../kit';
/** A residual capacity below this counts as zero: costs are minutes, far above it. */
const NOTHING = TOLERANCE.rounding;

/** Standing for a choice that must not be made. */
export const INFINITE_CAPACITY = 1e15;

/**
 * Cheapest way to put nodes on two sides, by the largest flow between them. Nodes 0 and 1 are the two sides: open and covered.
 * Source: Dinic 1970.
 */
export class MinCut {
  private readonly to: number[] = [];
  private readonly rest: number[] = [];
  private readonly next: number[] = [];
  private readonly first: number[] = [-1, -1];

  /** Adds a node and returns its number. */
  node(): number {
    return this.first.push(-1) - 1;
  }

  /** Charges `cost` where `open` ends up on the open side and `covered` on the other. */
  charge(open: number, covered: number, cost: number): void {
    if (cost <= 0 || open === covered || open === 1 || covered === 0) return;
    this.arc(open, covered, cost);
    this.arc(covered, open, 0);
  }

  /** Solves it: the least sum of charges, and which nodes are on the open side. */
  solve(): { readonly cost: number; readonly open: readonly boolean[] } {
    let cost = 0;
    for (let level = this.levels(); level[1]! >= 0; level = this.levels()) {
      const nextEdge = [...this.first];
      for (
        let sent = this.send(0, Infinity, level, nextEdge);
        sent > NOTHING;
        sent = this.send(0, Infinity, level, nextEdge)
      )
        cost += sent;
    }
    return { cost, open: this.levels().map((level) => level >= 0) };
  }

  private arc(from: number, to: number, capacity: number): void {
    this.next.push(this.first[from]!);
    this.first[from] = this.to.push(to) - 1;
    this.rest.push(capacity);
  }

  private levels(): number[] {
    const level = new Array<number>(this.first.length).fill(-1);
    level[0] = 0;
    const queue = [0];
    for (const from of queue) {
      for (let arc = this.first[from]!; arc >= 0; arc = this.next[arc]!) {
        if (this.rest[arc]! <= NOTHING || level[this.to[arc]!]! >= 0) continue;
        level[this.to[arc]!] = level[from]! + 1;
        queue.push(this.to[arc]!);
      }
    }
    return level;
  }

  private send(from: number, most: number, level: readonly number[], nextEdge: number[]): number {
    if (from === 1) return most;
    for (; nextEdge[from]! >= 0; nextEdge[from] = this.next[nextEdge[from]!]!) {
      const arc = nextEdge[from]!;
      if (this.rest[arc]! <= NOTHING || level[this.to[arc]!] !== level[from]! + 1) continue;
      const sent = this.send(this.to[arc]!, Math.min(most, this.rest[arc]!), level, nextEdge);
      if (sent <= NOTHING) continue;
      this.rest[arc]! -= sent;
      this.rest[arc ^ 1]! += sent;
      return sent;
    }
    return 0;
  }
}
