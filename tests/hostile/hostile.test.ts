import { readFileSync, readdirSync } from "node:fs";
import fc from "fast-check";
import loadHighs, { type Highs } from "highs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readTable } from "#core/data";
import { buildModel, type CaseFile } from "#core/model";
import { planOfProgram, programOf } from "#core/plan";
import { programFile, readProgram } from "#shared/planFile";
import { readCase } from "#shared/schemas/case";
import { cellsOfJson, cellsOfText } from "../../app/utils/tableFiles";
import { formulaText } from "../../core/formula/formulaText.fixture";
import { Chance } from "../shared/chance";
import { DEMO_LINES } from "../shared/demoLines";
import { everythingWith, everythingWithLine, sound } from "./everything";
import { spoiltDocument, spoiltText } from "./spoil";

// What comes from outside, spoilt in every way: nothing may throw, and no sentence may show the inside. The longest
// time is told at the end (`npm run fuzz -- SEED COUNT`), not judged: no test may fail because a machine is slow.
const COUNT = Number(process.env.PASEAR_HOSTILE ?? 2000);
const SEED = Number(process.env.PASEAR_SEED ?? 20311);

const DEMO = new URL("../../demo/", import.meta.url);
const CASES = readdirSync(DEMO)
  .filter((name) => name.endsWith(".json"))
  .map((name) => JSON.parse(readFileSync(new URL(name, DEMO), "utf8")) as CaseFile);
const LINES = Object.values(DEMO_LINES).flat();
const STALL = CASES.find((c) => c.title === "Lantern stall")!;
const TABLES = CASES.flatMap((c) => c.data ?? []).map((t) =>
  [t.columns.map((k) => `${k.name} (${k.unit ?? ""})`), ...t.rows].map((row) => row.join("\t")).join("\n"),
);

/** The share of formulas that are made by the grammar. */
const FORMULAS = 0.2;
/** Failures that are told of each kind. */
const MOST = 10;
/** A long run tells how far it is after so many pieces, and may take as long as it takes. */
const TOLD_EVERY = 1000;
const LONG = process.env.PASEAR_HOSTILE !== undefined;

/** The longest of all so far, and what it was. */
let longest = { ms: 0, of: "" };
function tried(kind: string, share: number, once: (c: Chance, i: number) => { what: string; act: () => void }): void {
  it(`${kind}`, { timeout: LONG ? 0 : 3_600_000 }, () => {
    const failures: string[] = [];
    for (let i = 0; i < COUNT * share && failures.length < MOST; i++) {
      const { what, act } = once(new Chance(SEED * 7919 + i), i);
      const started = performance.now();
      try {
        act();
      } catch (failure) {
        failures.push(`${i}: ${what.slice(0, 1500)}\n${(failure as Error).stack}`);
      }
      const ms = performance.now() - started;
      if (LONG && (i + 1) % TOLD_EVERY === 0) process.stdout.write(`${kind}: ${i + 1}, ${failures.length} failed\n`);
      if (ms > longest.ms) longest = { ms, of: `${kind} ${i}: ${what.slice(0, 600)}` };
    }
    expect(failures).toEqual([]);
  });
}
afterAll(() => {
  if (LONG) console.log(`longest ${longest.ms.toFixed(0)} ms: ${longest.of}`);
});

describe("whatever comes from outside", () => {
  tried("lines as they are typed", 0.3, (c) => {
    const line = spoiltText(c.of(LINES), c);
    const source = c.once(3) ? { format: "pasear-case" as const, version: 1 as const, title: "T" } : c.of(CASES);
    return { what: line, act: () => everythingWithLine(line, source) };
  });
  const formulas = fc.sample(formulaText, { seed: SEED, numRuns: Math.ceil(COUNT * FORMULAS) });
  tried("formulas by the grammar", FORMULAS, (c, i) => {
    const f = formulas[i]!;
    const line = c.of([`f(q) = ${f.replaceAll("x", "q")}`, `${f.replaceAll("x", "2")} = C ?`, `F = ${f} $`]);
    return { what: line, act: () => everythingWithLine(line, STALL) };
  });
  tried("cases", 0.25, (c) => {
    const document = spoiltDocument(c.of(CASES), c);
    const act = () => {
      const read = readCase(document);
      if (read.ok) everythingWith(read.case);
      else {
        const told = read.errors.map((e) => e.message);
        expect(told.length).toBeGreaterThan(0);
        sound(told, JSON.stringify(document));
      }
    };
    return { what: JSON.stringify(document), act };
  });
  tried("tables", 0.15, (c) => {
    const text = spoiltText(c.of(TABLES).replaceAll("\t", c.of(["\t", ",", ";"])), c);
    const act = () => {
      const read = readTable(c.once(8) ? cellsOfJsonOr(text) : cellsOfText(text));
      sound(read.ok ? read.table.notes : [read.message], text);
    };
    return { what: text, act };
  });
  let highs: Highs;
  beforeAll(async () => {
    highs = await loadHighs();
  });
  tried("plans in files", 0.1, (c) => {
    const { plan } = c.of(CASES.filter((k) => k.plan));
    const { names } = buildModel(STALL);
    const format = c.of(["lp", "mps"] as const);
    const { program } = programOf(plan!, buildModel(CASES.find((k) => k.plan === plan)!).names);
    const text = spoiltText(programFile(highs, program!, format), c);
    const act = () => {
      try {
        const { program: p } = readProgram(highs, text, format, new Set(Object.keys(names)));
        everythingWith({ ...STALL, plan: planOfProgram(p) });
      } catch (failure) {
        if (!/^(The file|The objective|Line \d+ of the file)/.test((failure as Error).message)) throw failure;
      }
    };
    return { what: text, act };
  });
});

/** Texts that are no JSON are refused in words. */
function cellsOfJsonOr(text: string): string[][] {
  try {
    return cellsOfJson(text);
  } catch (failure) {
    expect((failure as Error).message).toMatch(/^[A-Z].*\.$/);
    return [];
  }
}
