import { readFileSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { analyse, workingOf } from "./index";

const DEMO = new URL("../../demo/", import.meta.url);
const cases = readdirSync(DEMO)
  .filter((name) => name.endsWith(".pasear.json"))
  .map((name) => JSON.parse(readFileSync(new URL(name, DEMO), "utf8")) as CaseFile);

describe("every finding of every demo case has a working", () => {
  it.each(cases.filter((c) => (c.questions ?? []).length > 0).map((c) => [c.title, c] as const))("%s", (_, source) => {
    const { model, findings } = analyse(source);
    for (const q of source.questions!) {
      const f = findings.find((one) => one.id === q.id)!;
      const steps = workingOf(q, f, model, (id) => findings.find((one) => one.id === id) ?? null);
      expect([q.id, steps.length > 1]).toEqual([q.id, true]);
      for (const { says, text, latex } of steps) {
        expect(says).toMatch(/\p{L}/u);
        for (const written of [says, text, latex]) expect(written).not.toMatch(/undefined|NaN|\[object|\d{12,}/);
      }
    }
  });
});
