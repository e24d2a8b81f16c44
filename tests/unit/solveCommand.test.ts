import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { caseJsonSchema, readCase } from "#shared/schemas/case";

const solve = (args: string[], input?: string) => {
  const r = spawnSync(process.execPath, ["scripts/solve.mjs", ...args], { encoding: "utf8", input });
  return { code: r.status, out: r.stdout, err: r.stderr };
};
const json = (input: unknown) => {
  const r = solve(["-"], typeof input === "string" ? input : JSON.stringify(input));
  return { code: r.code, body: JSON.parse(r.out) };
};
const small = { format: "pasear-case", version: 1, title: "T" };

const demos = readdirSync("demo").filter((f) => f.endsWith(".pasear.json"));

describe("npm run solve", () => {
  for (const name of demos) {
    it(`${name} is solved, every finding complete, nothing but one JSON object printed`, () => {
      const r = solve([`demo/${name}`]);
      expect([r.code, r.err]).toEqual([0, ""]);
      const body = JSON.parse(r.out);
      for (const f of body.findings)
        expect([f.id, f.status === "error" ? f.message : f.complete]).toEqual([f.id, true]);
      expect(r.out).not.toMatch(/NaN|Infinity/);
    });
  }
  it("prints the keys of the format page", () => {
    const body = JSON.parse(solve(["demo/lantern-stall.pasear.json"]).out);
    expect(Object.keys(body)).toEqual(["title", "functions", "fits", "findings", "plan", "warnings"]);
    expect(Object.keys(body.findings[0])).toEqual(
      expect.arrayContaining([
        "id",
        "status",
        "complete",
        "solutions",
        "wholeTies",
        "setAside",
        "stretches",
        "searched",
        "value",
        "says",
        "message",
      ]),
    );
    expect(Object.keys(body.findings[0].solutions[0])).toEqual([
      "at",
      "value",
      "low",
      "high",
      "kind",
      "exact",
      "whole",
      "reads",
    ]);
    expect(body.functions[0]).toEqual({
      name: "p",
      text: "14 - q/30",
      latex: "14 - \\frac{q}{30}",
      unit: "$/lantern",
      unitsAgree: true,
    });
  });
  it("an invalid case: exit 1 and all errors with their places", () => {
    const { code, body } = json({
      ...small,
      colour: 1,
      variables: [{ name: "x", from: "zz" }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "12x +" } }],
    });
    expect(code).toBe(1);
    expect(body.errors).toEqual([{ path: "colour", message: "The key `colour` is not known here." }]);
    const next = json({
      ...small,
      variables: [{ name: "x", from: "zz" }],
      functions: [
        { name: "f", of: "x", by: { kind: "formula", text: "12x +" } },
        { name: "f", of: "y", by: { kind: "formula", text: "1" } },
      ],
    });
    expect(next.code).toBe(1);
    expect(next.body.errors.map((e: { path: string; at?: number }) => [e.path, e.at ?? null])).toEqual([
      ["functions[1].name", null],
      ["variables[0].from", 0],
      ["functions[0].by.text", 4],
    ]);
  });
  it("what is no JSON, or no file, or no use", () => {
    expect(json('{"format":').code).toBe(1);
    expect(solve(["/no/such/file"]).code).toBe(2);
    expect(solve([]).code).toBe(2);
    expect(solve([]).err).toMatch(/^Usage/);
    expect(solve(["a", "b"]).out).toBe("");
  });
  it("one broken question does not stop the others", () => {
    const { code, body } = json({
      ...small,
      variables: [{ name: "x", from: 0, to: 9 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x - 2" } }],
      questions: [
        { id: "a", ask: "reach", function: "g", value: 0 },
        { id: "b", ask: "reach", function: "f", value: 0 },
      ],
    });
    expect([code, body.findings.map((f: { status: string }) => f.status)]).toEqual([0, ["error", "found"]]);
  });
});

describe("the schema", () => {
  it("takes every demo case, and names what is wrong", () => {
    for (const name of demos) expect(readCase(JSON.parse(readFileSync(`demo/${name}`, "utf8"))).ok).toBe(true);
    const errors = (more: object) => {
      const r = readCase({ ...small, ...more });
      return r.ok ? [] : r.errors.map((e) => `${e.path}: ${e.message}`);
    };
    expect(errors({ functions: [{ name: "f", of: "x", by: { kind: "formla", text: "x" } }] })).toEqual([
      "functions[0].by.kind: `formla` is not a known `kind`.",
    ]);
    expect(errors({ functions: [{ name: "f", of: "x", by: { text: "x" } }], questions: [{}, { ask: 7 }] })).toEqual([
      "functions[0].by.kind: This is missing.",
      "questions[0].ask: This is missing.",
      "questions[1].ask: `7` is not a known `ask`.",
    ]);
    expect(errors({ givens: [{ name: "k" }] })).toEqual(["givens[0].value: This is missing."]);
    expect(errors({ givens: [{ name: "k", value: "two" }] })).toEqual(["givens[0].value: This should be a number."]);
    expect(errors({ questions: [{ id: "q", ask: "meet", functions: ["a"], speed: 1 }] })).toEqual([
      "questions[0].speed: The key `speed` is not known here.",
    ]);
    expect(errors({ version: 0 })).toEqual(["version: This should be `1`."]);
    expect(errors({ version: 2 })[0]).toMatch(/^version: This case is of version 2 of the format/);
    expect(readCase([]).ok).toBe(false);
    const many = Array.from({ length: 2001 }, (_, i) => ({ id: `q${i}`, ask: "greatest", function: "f" }));
    expect(errors({ questions: many })).toEqual(["questions: At most 2,000 of these may stand here."]);
    expect(errors({ title: "x".repeat(301) })).toEqual(["title: This may be at most 300 characters long."]);
    const wrongRows = { name: "D", columns: [{ name: "x" }], rows: [[1], ["2"], 3, [null]] };
    expect(errors({ data: [wrongRows] })).toEqual([
      "data[0].rows[1][0]: This should be a number, or null for none.",
      "data[0].rows[2]: This should be an array of numbers.",
    ]);
  });
  it("is there as JSON Schema", () =>
    expect(caseJsonSchema()).toMatchObject({
      $id: "/schema/case-v1.json",
      type: "object",
      required: expect.arrayContaining(["format", "version", "title"]),
    }));
});
