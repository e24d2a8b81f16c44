import { spawnSync } from "node:child_process";
import { describe, expect, it } from "vitest";

const run = (script: string, input: string, ...args: string[]) => {
  const r = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...args], { encoding: "utf8", input });
  return { code: r.status, out: r.stdout, err: r.stderr };
};
const STORY = "A stall costs $180 and each kite costs $2.50 to make. Kites sell for $7. When does it break even?";

describe("npm run read", () => {
  it("prints a case that solve answers, and what was left out", () => {
    const read = run("read", STORY, "-");
    expect(read.code).toBe(0);
    expect(JSON.parse(read.out)).toMatchObject({ format: "pasear-case", version: 1, notes: [] });
    const report = JSON.parse(run("solve", read.out, "-").out);
    // 180 / (7 − 2.5) = 40
    expect(report.findings[0]).toMatchObject({ status: "found", complete: true, solutions: [{ at: 40 }] });
  });
  it("says how it is used", () => {
    expect(run("read", "", "no-such-file")).toMatchObject({ code: 2, out: "" });
    expect(run("read", "")).toMatchObject({ code: 2, out: "", err: expect.stringMatching(/^Usage/) });
  });
});
