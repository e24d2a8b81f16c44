import { describe, expect, it } from "vitest";
import { Exhausted, billed, pay, spend, stepsLeft, within, type Bill } from "./effort";

/** Something kept for whoever wants it, made at most once. */
class Kept {
  private bill: Bill | null = null;
  made = 0;

  constructor(
    private readonly own: number,
    private readonly parts: readonly Kept[] = [],
  ) {}

  take(): void {
    if (this.bill) return pay(this.bill);
    this.bill = billed(() => {
      this.made++;
      spend(this.own);
      for (const part of this.parts) part.take();
    }).bill;
  }
}
/** What a question costs that takes these. */
const question = (...taken: readonly Kept[]): number =>
  within(1000, () => {
    for (const kept of taken) kept.take();
    return 1000 - stepsLeft();
  });
const part = () => new Kept(10);
const whole = (of: Kept) => new Kept(100, [of]);

describe("what is kept is paid for once by each question", () => {
  it("whoever made it, and however often it is taken", () => {
    const kept = part();
    expect([question(kept), question(kept), question(kept, kept, kept)]).toEqual([10, 10, 10]);
    expect(kept.made).toBe(1);
  });
  it("a part of what is kept as well, whichever comes first, and in whichever question it was made", () => {
    const orders: ((inner: Kept, outer: Kept) => Kept[])[] = [(i, o) => [i, o], (i, o) => [o, i], (_, o) => [o]];
    for (const earlier of [[], ...orders.map((order) => [order])])
      for (const order of orders) {
        const inner = part();
        const outer = whole(inner);
        for (const asked of earlier) question(...asked(inner, outer));
        question(inner);
        expect(question(...order(inner, outer))).toBe(110);
        expect([inner.made, outer.made]).toEqual([1, 1]);
      }
  });
  it("two that share a part, and what holds one of them", () => {
    const shared = part();
    const [a, b] = [whole(shared), whole(shared)];
    const all = new Kept(1, [a, b]);
    expect([question(a, b), question(b), question(all), question(all, a)]).toEqual([210, 110, 211, 211]);
  });
  it("a question that cannot pay is cut, and has not paid", () => {
    const kept = whole(part());
    question(kept);
    expect(() => within(50, () => kept.take())).toThrow(Exhausted);
    expect(question(kept)).toBe(110);
  });
  it("work that was cut has no bill, and what is around it is billed on", () => {
    const tooMuch = () => within(5, () => billed(() => spend(6)));
    const { bill } = billed(() => {
      expect(tooMuch).toThrow(Exhausted);
      spend(3);
    });
    // What was spent before the cut is spent.
    expect([bill.own, bill.parts.size]).toEqual([9, 0]);
  });
});
