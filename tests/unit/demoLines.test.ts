import { analyse, sentenceOf } from "#core/question";
import { readFileSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { interpret, understand, withEntry } from "#core/entry";
import { slipsOf } from "#core/slips";
import { DEMO_LINES, typedTogether } from "../shared/demoLines";

const folder = new URL("../../demo/", import.meta.url);
const demo = (name: string) => JSON.parse(readFileSync(new URL(`${name}.pasear.json`, folder), "utf8")) as CaseFile;
const sentences = (source: CaseFile) => {
  const { model, findings } = analyse(source);
  return findings.map((f) => sentenceOf(f, model));
};

it("every demo case without data can be typed", () => {
  const names = readdirSync(folder)
    .filter((f) => f.endsWith(".json"))
    .map((f) => f.replace(".pasear.json", ""));
  expect(Object.keys(DEMO_LINES).sort()).toEqual(
    names.filter((n) => (demo(n).data ?? []).length === 0 && !demo(n).plan).sort(),
  );
});

describe.each(Object.entries(DEMO_LINES))("%s, typed line by line", (name, lines) => {
  let typed: CaseFile = { format: "pasear-case", version: 1, title: "Typed" };
  it("every line is taken", () => {
    for (const line of lines) {
      const read = interpret(line, typed);
      expect(read.ok ? "" : `${line}: ${read.message}`).toBe("");
      const inWords = understand(line, typed);
      expect([line, inWords.kind === "entries" && inWords.entries]).toEqual([line, read.ok && [read.entry]]);
      if (read.ok) typed = withEntry(typed, read.entry);
    }
  });
  it("has the findings of the file", () => {
    expect(sentences(typed)).toEqual(sentences(demo(name)));
  });
  it("typed with several entries in a line it is the same case", () => {
    let together: CaseFile = { format: "pasear-case", version: 1, title: "Typed" };
    for (const line of typedTogether(lines)) {
      const read = understand(line, together);
      expect([line, read.kind]).toEqual([line, "entries"]);
      if (read.kind === "entries") together = read.entries.reduce(withEntry, together);
    }
    expect(together).toEqual(typed);
  });
  it("the file has no slips", () => {
    expect(slipsOf(analyse(demo(name))).map((s) => s.message)).toEqual([]);
  });
});
