import type { FullFinding as Finding } from "./index";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  type Asked,
  told,
  small,
  positive,
  body,
  ranges,
  moved,
  places,
  sameNumbers,
  sameFinding,
  settings,
  questions,
} from "./retold.fixture";

describe("a story told in another way has the same answers", () => {
  it(
    "the input counted from another start",
    () =>
      fc.assert(
        fc.property(body, ranges, small, small, (text, [from, to], level, h) => {
          const before = told({ f: text }, questions(level).slice(0, 4), from, to);
          const after = told({ f: moved(text, h) }, questions(level).slice(0, 4), from + h, to + h);
          before.forEach((f, i) => {
            sameFinding(f, after[i]!, `${text} by ${h}, ${f.ask}`, h);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "the input mirrored: first becomes last",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const before = told({ f: text }, questions(level).slice(0, 3), from, to);
          const after = told({ f: text.replace(/\bx\b(?!\()/g, "(-x)") }, questions(level).slice(0, 3), -to, -from);
          before.forEach((f, i) => {
            expect(after[i]!.status, text).toBe(f.status);
            sameNumbers(
              places(f),
              places(after[i]!)
                .map((x) => -x)
                .reverse(),
              `${text} mirrored, ${f.ask}`,
            );
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "in a larger or smaller unit of what is read off",
    () =>
      fc.assert(
        fc.property(body, ranges, small, positive, (text, [from, to], level, by) => {
          const before = told({ f: text }, questions(level).slice(0, 3), from, to);
          const after = told({ f: `${by}*(${text})` }, questions(level * by).slice(0, 3), from, to);
          before.forEach((f, i) => {
            expect(after[i]!.status, text).toBe(f.status);
            sameNumbers(places(f), places(after[i]!), `${by}(${text}), ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "a number under a name, a function written out or called",
    () =>
      fc.assert(
        fc.property(body, body, ranges, small, (text, other, [from, to], level) => {
          const asked: Asked[] = [...questions(level), { ask: "meet", functions: ["f", "g"] }];
          const plain = told({ f: text, g: `(${text}) - (${other})` }, asked, from, to);
          const named = told(
            { f: text, h: other, g: "f - h" },
            [{ ask: "reach", function: "f", value: "level" }, ...asked.slice(1)],
            from,
            to,
            { givens: [{ name: "level", value: level }] },
          );
          plain.forEach((f, i) => {
            sameFinding(f, named[i]!, `${text}, ${other}: ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "with a term whose number is 0 for now",
    () =>
      fc.assert(
        fc.property(body, body, ranges, small, fc.boolean(), (text, other, [from, to], level, first) => {
          const plain = told({ f: text }, questions(level), from, to);
          const more = told(
            { f: first ? `k*(${other}) + ${text}` : `${text} - k*(${other})` },
            questions(level),
            from,
            to,
            { givens: [{ name: "k", value: 0 }] },
          );
          plain.forEach((f, i) => {
            sameFinding(f, more[i]!, `${text} and 0 (${other}), ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "two functions meet where their difference is 0, whichever comes first",
    () =>
      fc.assert(
        fc.property(body, body, ranges, (text, other, [from, to]) => {
          const [one, turned, difference] = told(
            { f: text, g: other, d: "f - g" },
            [
              { ask: "meet", functions: ["f", "g"] },
              { ask: "meet", functions: ["g", "f"] },
              { ask: "reach", function: "d", value: 0 },
            ],
            from,
            to,
          ) as [Finding, Finding, Finding];
          for (const f of [turned, difference]) {
            expect([f.status, f.complete], `${text} = ${other}`).toEqual([one.status, one.complete]);
            sameNumbers(places(one), places(f), `${text} = ${other}`);
          }
        }),
        settings,
      ),
    60_000,
  );
});
