import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { understand } from "../entry";
import { firstSteps } from "./firstSteps";

const stall = JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as CaseFile;

describe("the first steps on a case", () => {
  const steps = firstSteps(stall)!;
  it("are four, and speak of what the case has", () => {
    expect(steps).toHaveLength(4);
    expect(steps[0]!.says).toContain("“$180”");
    expect(steps[1]!.says).toContain("under F:");
  });
  it("offer a line that is understood there", () => {
    const [line] = steps.flatMap((s) => s.line ?? []);
    expect(line).toBe("P > 0 ?");
    expect(understand(line!, stall)).toMatchObject({ kind: "entries" });
  });
  it.each([
    ["story", { story: undefined }],
    ["marked number", { story: { text: "A stall.", marks: [] } }],
    ["given that varies", { givens: [{ name: "F", value: 3 }] }],
    ["function", { functions: [] }],
    ["question", { questions: [] }],
  ])("are none without a %s", (_, lacks) => expect(firstSteps({ ...stall, ...lacks })).toBeNull());
});
