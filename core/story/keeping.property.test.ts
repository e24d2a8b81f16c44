import { readAmountText, retypedAmount, parseUnit } from "../units";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { formatQuantity } from "../explain";
import type { CaseFile, Mark } from "../model";
import { shiftMarks, storyRuns } from "./index";
import { interpret } from "../entry";

// What a person typed or marked is kept: through an edit beside it, through being shown and typed again.
const letters = fc
  .array(fc.constantFrom("a", "b", " ", "é", "$", "1", "80", "🏮", "lantern"), { maxLength: 14 })
  .map((l) => l.join(""));
const role = fc.constantFrom("given", "relation", "limit", "question") as fc.Arbitrary<Mark["role"]>;
/** A text, a mark in it, and an edit: so many letters taken out at a place and others put in. */
const edited = fc
  .tuple(letters, letters, letters, role)
  .filter(([, words]) => words.length > 0)
  .chain(([before, words, after, r]) => {
    const text = before + words + after;
    return fc.tuple(fc.nat({ max: text.length }), fc.nat({ max: 4 }), letters).map(([at, taken, put]) => {
      const end = Math.min(text.length, at + taken);
      return {
        text,
        mark: { role: r, start: before.length, end: before.length + words.length } as Mark,
        words,
        at,
        end,
        put,
        now: text.slice(0, at) + put + text.slice(end),
      };
    });
  });
const wordsOf = (text: string, m: Mark) => text.slice(m.start, m.end);

/** How many shortest edits at one place turn a text into another. */
function editsFrom(before: string, after: string): number {
  let shortest = Infinity;
  let count = 0;
  for (let start = 0; start <= before.length; start++)
    for (let end = start; end <= before.length; end++) {
      const putLength = after.length - (before.length - end) - start;
      if (putLength < 0) continue;
      if (before.slice(0, start) !== after.slice(0, start) || before.slice(end) !== after.slice(start + putLength))
        continue;
      const size = end - start + putLength;
      if (size < shortest) [shortest, count] = [size, 1];
      else if (size === shortest) count++;
    }
  return count;
}

describe("marks while the story is edited", () => {
  it("an edit beside a mark leaves its words alone", () =>
    fc.assert(
      fc.property(edited, ({ text, mark, words, at, end, now }) => {
        fc.pre(end <= mark.start || at >= mark.end);
        expect(shiftMarks([mark], text, now).map((m) => wordsOf(now, m))).toEqual([words]);
      }),
      { numRuns: 1500 },
    ));
  it("an edit inside a mark stays inside it", () =>
    fc.assert(
      fc.property(edited, ({ text, mark, words, at, end, put, now }) => {
        fc.pre(at > mark.start && end < mark.end);
        // Beside repeated letters the same text may have come from an edit elsewhere, also one across an end of the
        // mark.
        fc.pre(editsFrom(text, now) === 1);
        const wanted = text.slice(mark.start, at) + put + text.slice(end, mark.end);
        // Beside repeated letters the edit may as well have been outside.
        expect([[wanted], [words]]).toContainEqual(shiftMarks([mark], text, now).map((m) => wordsOf(now, m)));
      }),
      { numRuns: 1500 },
    ));
  it("whatever is edited, a mark covers some of the text or is gone, and keeps its role", () =>
    fc.assert(
      fc.property(edited, ({ text, mark, now }) => {
        for (const m of shiftMarks([mark], text, now)) {
          expect(m.start >= 0 && m.start < m.end && m.end <= now.length).toBe(true);
          expect(m.role).toBe(mark.role);
        }
      }),
      { numRuns: 1500 },
    ));
  it("nothing edited, nothing moved; all taken out, nothing left", () =>
    fc.assert(
      fc.property(edited, ({ text, mark }) => {
        expect(shiftMarks([mark], text, text)).toEqual([mark]);
        expect(shiftMarks([mark], text, "")).toEqual([]);
      }),
    ));
});

describe("runs of a story", () => {
  it("are the whole text, in order, each letter once; marked ones are words of a mark", () =>
    fc.assert(
      fc.property(letters, fc.array(fc.tuple(fc.nat(40), fc.nat(9), role), { maxLength: 5 }), (text, list) => {
        const marks = list
          .map(([start, length, r]): Mark => ({ role: r, start, end: start + length + 1 }))
          .filter((m) => m.end <= text.length);
        const runs = storyRuns(text, marks);
        expect(runs.map((r) => r.text).join("")).toBe(text);
        runs.reduce((at, r) => {
          expect(r.start).toBe(at);
          expect(r.text.length).toBeGreaterThan(0);
          return at + r.text.length;
        }, 0);
        for (const r of runs)
          if (r.mark) {
            expect(marks[r.index]).toBe(r.mark);
            expect(r.text).toBe(wordsOf(text, r.mark));
          }
        // A mark that overlaps no other is always there.
        marks.forEach((m, i) => {
          if (!marks.some((o, j) => j !== i && o.start < m.end && m.start < o.end))
            expect(runs.some((r) => r.index === i)).toBe(true);
        });
      }),
    ));
});

describe("numbers shown and typed again", () => {
  const value = fc.oneof(
    fc.integer({ min: -99_999, max: 99_999 }),
    fc.integer({ min: -99_999_999, max: 99_999_999 }).map((n) => n / 10_000),
    fc.constantFrom(0, 0.001, 1e6, 1234567.25),
  );
  it.each([
    "",
    "$",
    "€",
    "$/lantern",
    "lantern",
    "lanterns",
    "h",
    "min",
    "m^2",
    "km/h",
    "kg",
    "person",
    "%",
    "%/year",
    "kg m/s^2",
  ])("%s: what is shown reads back as the same number", (text) =>
    fc.assert(
      fc.property(value, (v) => {
        const unit = text === "" ? null : parseUnit(text).unit;
        // Money is shown to the cent.
        const exact = text.startsWith("$") || text.startsWith("€") ? Math.round(v * 100) / 100 : v;
        const shown = formatQuantity(exact, unit, 12);
        const read = readAmountText(shown);
        expect(read, shown).not.toBeNull();
        const typed = retypedAmount(read!, text || undefined);
        expect(
          Math.abs(typed.value - exact),
          `${exact} is shown as ${shown} and read as ${typed.value}`,
        ).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(exact)));
        if (text !== "") expect(typed.unit, shown).toBe(text);
        expect(read!.rest.trim(), shown).toBe("");
      }),
      { numRuns: 200 },
    ),
  );
  it("a given is typed as it is shown, whatever it is called", () =>
    fc.assert(
      fc.property(
        value,
        fc.constantFrom("F", "k", "Müll", "a_1", "n2"),
        fc.constantFrom("$", "lanterns", "h", "kg", ""),
        (v, name, text) => {
          const empty: CaseFile = { format: "pasear-case", version: 1, title: "T" };
          const exact = text === "$" ? Math.round(v * 100) / 100 : v;
          const line = `${name} = ${formatQuantity(exact, text === "" ? null : parseUnit(text).unit, 12)}`;
          const r = interpret(line, empty);
          expect(r.ok, `${line}: ${r.ok ? "" : r.message}`).toBe(true);
          if (r.ok) expect(r.entry, line).toMatchObject({ kind: "given" });
        },
      ),
      { numRuns: 300 },
    ));
  it.each([
    ["−$5", -5, "$", ""],
    ["-€0.01", -0.01, "€", ""],
    ["costs −$5 each", -5, "$", " each"],
    // A hyphen in a word or a range, and the dash of a list, are no minus.
    ["price-$5", 5, "$", ""],
    ["- $5 for paper", 5, "$", " for paper"],
    ["10 kg m/s²", 10, "kg m/s²", ""],
    ["5 km h", 5, "km h", ""],
    ["4 N·m", 4, "N", "·m"],
    // Words side by side are just words.
    ["12 lanterns and more", 12, "lanterns", " and more"],
    ["20 min walk", 20, "min", " walk"],
    ["3 m a day", 3, "m", " a day"],
  ] as const)("%s", (text, amount, unit, rest) => expect(readAmountText(text)).toEqual({ value: amount, unit, rest }));
});
