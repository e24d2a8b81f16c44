import type { FullFinding as Finding } from "./index";
import { analysed as analyse } from "./full.fixture";
import type { Question } from "../model";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  type Asked,
  told,
  small,
  body,
  ranges,
  places,
  sameNumbers,
  sameFinding,
  settings,
  questions,
} from "./retold.fixture";

describe("a story told with other parts has the same answers", () => {
  it(
    "the greatest is minus the least of the mirrored function, and no place on the range is above it",
    () =>
      fc.assert(
        fc.property(body, ranges, (text, [from, to]) => {
          const source = { f: text, m: `-(${text})` };
          const [greatest, least] = told(
            source,
            [
              { ask: "greatest", function: "f" },
              { ask: "least", function: "m" },
            ],
            from,
            to,
          ) as [Finding, Finding];
          expect(least.status, text).toBe(greatest.status);
          sameNumbers(places(greatest), places(least), text);
          if (greatest.value === null) return;
          sameNumbers([greatest.value], [-least.value!], text);
          const some = told(
            source,
            Array.from({ length: 21 }, (_, i): Asked => ({
              ask: "value",
              function: "f",
              at: from + ((to - from) * i) / 20,
            })),
            from,
            to,
          );
          for (const s of some)
            expect(s.value!, text).toBeLessThanOrEqual(greatest.value + 1e-9 * Math.max(1, Math.abs(greatest.value)));
        }),
        settings,
      ),
    60_000,
  );

  it(
    "a range cut in two has the answers of the whole, and totals add up",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const middle = (from + to) / 2;
          const ask = (a: number, b: number): Asked[] => [
            { ask: "reach", function: "f", value: level },
            { ask: "total", function: "f", between: [a, b] },
            { ask: "average", function: "f", between: [a, b] },
          ];
          const [whole, left, right] = [
            told({ f: text }, ask(from, to), from, to),
            told({ f: text }, ask(from, middle), from, middle),
            told({ f: text }, ask(middle, to), middle, to),
          ];
          if (whole[0]!.status === "found" || whole[0]!.status === "none") {
            const both = [...places(left[0]!), ...places(right[0]!)].filter(
              (x, i, all) => i === 0 || x - all[i - 1]! > 1e-9,
            );
            sameNumbers(places(whole[0]!), both, `${text} = ${level}`);
          }
          const size = Math.abs(left[1]!.value!) + Math.abs(right[1]!.value!);
          expect(Math.abs(whole[1]!.value! - left[1]!.value! - right[1]!.value!), text).toBeLessThanOrEqual(
            1e-9 * Math.max(1, size),
          );
          expect(Math.abs(whole[2]!.value! * (to - from) - whole[1]!.value!), text).toBeLessThanOrEqual(
            1e-9 * Math.max(1, size),
          );
        }),
        settings,
      ),
    60_000,
  );

  it(
    "where it is at least a level, and where it is below, make up the range and touch at the answers",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const [at, over, under] = told(
            { f: text },
            [
              { ask: "reach", function: "f", value: level },
              { ask: "where", function: "f", relation: ">=", value: level },
              { ask: "where", function: "f", relation: "<", value: level },
            ],
            from,
            to,
          ) as [Finding, Finding, Finding];
          if (at.status === "everywhere" || !over.complete || !under.complete) return;
          const length = (f: Finding) =>
            f.status === "everywhere"
              ? to - from
              : f.stretches.reduce((sum, s) => sum + ((s.to ?? to) - (s.from ?? from)), 0);
          expect(Math.abs(length(over) + length(under) - (to - from)), `${text} over and under ${level}`).toBeLessThan(
            1e-7,
          );
          const edges = [...over.stretches, ...under.stretches]
            .flatMap((s) => [s.from, s.to])
            .filter((x): x is number => x !== null && x > from && x < to);
          for (const x of edges)
            expect(
              places(at).some((y) => Math.abs(x - y) <= 1e-8 * Math.max(1, Math.abs(x))),
              `${text} = ${level} at ${x}`,
            ).toBe(true);
        }),
        settings,
      ),
    60_000,
  );

  it(
    "under other names",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const before = told({ f: text }, questions(level), from, to);
          const renamed = analyse({
            format: "pasear-case",
            version: 1,
            title: "Told",
            variables: [{ name: "hours", from, to }],
            functions: [
              { name: "Q", of: "hours", by: { kind: "formula", text: text.replace(/\bx\b(?!\()/g, "hours") } },
            ],
            questions: questions(level).map((q, i) => ({ ...q, function: "Q", id: `q${i + 1}` }) as Question),
          }).findings;
          before.forEach((f, i) => {
            sameFinding(f, renamed[i]!, `${text}: ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );
});
