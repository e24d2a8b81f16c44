/** Repeatable chance: the same seed gives the same cases (mulberry32, public domain). */
export class Chance {
  constructor(private state: number) {}
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }
  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1));
  }
  of<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)]!;
  }
  /** true once in so many times */
  once(times: number): boolean {
    return this.next() * times < 1;
  }
}
