import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { rationalOfDouble, toDouble, type Rational } from "../numeric";
import { resolve, type Expression } from "../formula";
import { FunctionTable, encloseConstant, exactRational, findBest, findRoots, type Piece } from "./index";
import { spotOfConstant } from "./spot";

// Published and invented problems with answers proven at 50 digits; the files say how they are laid out and where each
// is from.
const load = (name: string) => JSON.parse(readFileSync(new URL(`./fixtures/${name}.json`, import.meta.url), "utf8"));

interface RefPiece {
  formula: string;
  from: string;
  to: string;
  from_closed: boolean;
  to_closed: boolean;
}
const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => {
  const r = resolve(text.replace(/arctan/g, "atan"), names);
  if (!r.expression) throw new Error(`${text}: ${r.problems[0]?.message}`);
  return r.expression;
};
const number = (text: string): Rational => {
  const e = read(text);
  return exactRational(e) ?? rationalOfDouble(encloseConstant(e).lo);
};
function functionOf(p: { formula: string | null; pieces: RefPiece[] | null }): { table: FunctionTable; e: Expression } {
  const table = new FunctionTable();
  if (p.formula) return { table, e: read(p.formula) };
  const pieces: Piece[] = p.pieces!.map((q) => {
    const from = number(q.from);
    const to = number(q.to);
    return {
      expression: read(q.formula),
      from,
      to,
      low: toDouble(from),
      high: toDouble(to),
      closedFrom: q.from_closed,
      closedTo: q.to_closed,
    };
  });
  table.define("f", { kind: "pieces", pieces });
  return { table, e: { kind: "call", name: "f", order: 0, a: { kind: "variable" } } };
}
/** An end such as 2π is itself, not its nearest double. */
const rangeOf = ([from, to]: [string, string]) => ({ from: spotOfConstant(read(from)), to: spotOfConstant(read(to)) });
const close = (found: number, wanted: string, tolerance = 1e-9) =>
  Math.abs(found - Number(wanted)) <= tolerance * Math.max(1, Math.abs(Number(wanted)));

/** What cannot be proven must be said to be open, never claimed. */
describe("all roots of the reference problems", () => {
  for (const p of load("roots").problems) {
    it(p.id, () => {
      const { table, e } = functionOf(p);
      const found = findRoots(e, table, rangeOf(p.interval));
      const at = found.roots.map((r) => r.at);
      const wanted: string[] = p.roots.map((r: { x: string }) => r.x);
      if (process.env.SHOW)
        console.log(p.id, JSON.stringify({ at, wanted, open: found.open, everywhere: found.everywhere }));
      expect(found.open, "unsettled").toEqual([]);
      expect(at.length, `found ${at.join(", ")}`).toBe(wanted.length);
      wanted.forEach((x, i) => expect(close(at[i]!, x), `${at[i]} against ${x}`).toBe(true));
      p.roots.forEach((r: { x: string; sign_change: string }, i: number) => {
        const root = found.roots[i]!;
        const width = root.hi - root.lo;
        expect(width).toBeLessThanOrEqual(
          1e-9 * (Number(number(p.interval[1]).valueOf()) - Number(number(p.interval[0]).valueOf())),
        );
        if (root.kind === "crossing") expect(r.sign_change).not.toBe("no");
        if (root.kind === "touching") expect(r.sign_change).not.toBe("yes");
      });
      expect(found.everywhere.length).toBe(p.root_intervals.length);
    });
  }
});

describe("greatest and least of the reference problems", () => {
  for (const p of load("optima").problems) {
    if (p.domain === "integer") continue;
    for (const [sense, wanted] of [
      [-1, p.minimum],
      [1, p.maximum],
    ] as const) {
      it(`${p.id} ${sense > 0 ? "greatest" : "least"}`, () => {
        const { table, e } = functionOf(p);
        const found = findBest(e, table, rangeOf(p.interval), sense);
        if (process.env.SHOW)
          console.log(
            p.id,
            JSON.stringify({ found, wanted }, (k, v) => (k === "exact" || k === "exactValue" ? undefined : v)),
          );
        if (wanted.status === "unbounded") {
          expect(found.status).toBe("unbounded");
          return;
        }
        if (wanted.status === "not-attained") {
          expect(found.status).toBe("approached");
          return;
        }
        if (found.status !== "attained") throw new Error(`status ${found.status}`);
        expect(found.complete).toBe(true);
        expect(close(found.value, wanted.value)).toBe(true);
        if (wanted.status === "attained-on-interval") {
          expect(found.flat.length).toBeGreaterThan(0);
          return;
        }
        expect(found.best.map((b) => b.at).length, found.best.map((b) => b.at).join(", ")).toBe(wanted.at.length);
        wanted.at.forEach((a: { x: string; kind: string }, i: number) => {
          expect(close(found.best[i]!.at, a.x, 1e-8)).toBe(true);
          if (a.kind !== "break") expect(found.best[i]!.kind).toBe(a.kind);
        });
      });
    }
  }
});
