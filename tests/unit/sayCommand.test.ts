import { spawnSync } from "node:child_process";
import { describe, expect, it } from "vitest";

const say = (...args: string[]) => {
  const r = spawnSync(process.execPath, ["scripts/say.mjs", ...args], { encoding: "utf8" });
  return { code: r.status, out: r.stdout, err: r.stderr };
};

describe("npm run say", () => {
  it("prints what a line would add, a number, or why not", () => {
    expect(JSON.parse(say("-", "f(x) = 3x + 2").out)).toEqual({
      entries: [
        { kind: "variable", row: { name: "x" } },
        { kind: "function", row: { name: "f", of: "x", by: { kind: "formula", text: "3x + 2" } } },
      ],
    });
    expect(JSON.parse(say("-", "48 - 35").out)).toEqual({ number: 13 });
    expect(JSON.parse(say("-", "ln = 3").out)).toMatchObject({ message: expect.stringMatching(/ln/), at: 0 });
    expect(JSON.parse(say("demo/lantern-stall.pasear.json", "greatst P ?").out)).toMatchObject({
      message: expect.stringMatching(/greatst/),
    });
  });
  it("reads a case, and says what is wrong with one that cannot be read", () => {
    expect(JSON.parse(say("demo/lantern-stall.pasear.json", "max profit").out).entries).toMatchObject([
      { kind: "question", row: { ask: "greatest", function: "P" } },
    ]);
    expect(say("no-such-file", "x")).toMatchObject({
      code: 2,
      out: "",
      err: expect.stringMatching(/could not be read/),
    });
    expect(say("package.json", "x")).toMatchObject({ code: 2, out: "", err: expect.stringMatching(/is no case/) });
    expect(say("-")).toMatchObject({ code: 2, out: "", err: expect.stringMatching(/^Usage/) });
  });
});
