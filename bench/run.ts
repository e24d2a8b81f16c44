import { analyse, sentenceOf } from "#core/question";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { compile as mathCompile } from "mathjs";
import { buildModel, type CaseFile } from "#core/model";
import { compileNumber, resolve, type Expression, type NumberFunction } from "#core/formula";
import { rationalOfDecimal, type Rational } from "#core/numeric";
import { FunctionTable, findBest, findRoots, spotOfRational } from "#core/solve";
import { rankModels, solveLeastSquares } from "#core/fit";
import { solvePlan, valueAt, type Program } from "#core/plan";
import { solveCompiled } from "#shared/compiledPlan";
import loadHighs from "highs";
import { byHand } from "./formulas";
import { f2, lines, median, pair, percentile, say } from "./measure";
import { round } from "./plans";
import { scanBest, scanRoots } from "./scan";

const table = new FunctionTable();
const read = (text: string): Expression =>
  resolve(text, { variable: "x", givens: new Map(), functions: new Map(), variables: new Set() }).expression!;
let sink = 0;

say("# Benchmarks");
say();
say(
  `Ratios within one run; times are of this machine on this day only (${cpus().length} ` +
    `cores, Node.js ${process.version}, ${new Date().toISOString().slice(0, 10)}). \`npm ` +
    `run bench\` writes this page.`,
);

// ---- evaluation ---------------------------------------------------------------------------------------------
say();
say("## Evaluation");
say();
say("| formula | against TypeScript by hand (goal ≤ 2) | mathjs compiled against ours (goal ≥ 15) |");
say("|---|---|---|");
const hand: number[] = [];
const peer: number[] = [];
for (const [text, own] of byHand) {
  const ours = compileNumber(read(text), table.number);
  const other = mathCompile(text.replace(/\bln\b/g, "log").replace(/x \(/g, "x*("));
  const run = (f: NumberFunction) => () => {
    for (let i = 0; i < 200; i++) sink += f(i * 0.05 + 0.1);
  };
  const scope = { x: 0 };
  const theirs = () => {
    for (let i = 0; i < 200; i++) {
      scope.x = i * 0.05 + 0.1;
      sink += other.evaluate(scope);
    }
  };
  const a = pair(run(ours), run(own), 31, 60);
  const b = pair(theirs, run(ours), 11, 8);
  hand.push(a.ratio);
  peer.push(b.ratio);
  say(`| \`${text}\` | ${f2(a.ratio)} | ${f2(b.ratio)} |`);
}
say(`| **median** | **${f2(median(hand))}** | **${f2(median(peer))}** |`);

// ---- roots, best values -------------------------------------------------------------------------------------
const { problems } = JSON.parse(
  readFileSync(new URL("../../../core/solve/fixtures/roots.json", import.meta.url), "utf8"),
) as { problems: { id: string; formula: string | null; interval: string[]; roots: unknown[] }[] };
const plain = problems.filter(
  (p) => p.formula && p.interval.every((t) => rationalOfDecimal(t)) && !p.id.startsWith("aps02"),
);
say();
say("## All roots with proof, against a 2,000-point scan with bracketing");
say();
const ratios: number[] = [];
let missedByScan = 0;
let missedByUs = 0;
const slow: [number, string][] = [];
for (const p of plain) {
  const e = read(p.formula!);
  const [a, b] = p.interval.map((t) => rationalOfDecimal(t)!) as [Rational, Rational];
  const range = { from: spotOfRational(a), to: spotOfRational(b) };
  const f = compileNumber(e, table.number);
  const [lo, hi] = [Number(a.valueOf()), Number(b.valueOf())];
  if (scanRoots(f, lo, hi).length < p.roots.length) missedByScan++;
  if (findRoots(e, table, range).roots.length < p.roots.length) missedByUs++;
  const r = pair(
    () => {
      sink += findRoots(e, table, range).roots.length;
    },
    () => {
      sink += scanRoots(f, lo, hi).length;
    },
    5,
    3,
  );
  ratios.push(r.ratio);
  slow.push([r.a, p.id]);
}
slow.sort((x, y) => y[0] - x[0]);
say(
  `${plain.length} reference problems (chosen to be hard). Time with proof against the ` +
    `scan: median **${f2(median(ratios))}** (goal ≤ 3), 90th percentile ` +
    `${f2(percentile(ratios, 0.9))}. The scan misses roots in ${missedByScan} of them, ` +
    `the proof in ${missedByUs}.`,
);
say(
  `Slowest: ${slow
    .slice(0, 3)
    .map(([t, id]) => `${id} ${f2(t)} ms`)
    .join(", ")}.`,
);

const optima = (
  JSON.parse(readFileSync(new URL("../../../core/solve/fixtures/optima.json", import.meta.url), "utf8")) as {
    problems: { id: string; formula: string | null; interval: string[]; domain: string }[];
  }
).problems.filter((p) => p.formula && p.domain === "real" && p.interval.every((t) => rationalOfDecimal(t)));
const bestRatios = optima.map((p) => {
  const e = read(p.formula!);
  const [a, b] = p.interval.map((t) => rationalOfDecimal(t)!) as [Rational, Rational];
  const range = { from: spotOfRational(a), to: spotOfRational(b) };
  const f = compileNumber(e, table.number);
  return pair(
    () => {
      sink += findBest(e, table, range, 1).status.length;
    },
    () => {
      sink += scanBest(f, Number(a.valueOf()), Number(b.valueOf()));
    },
    5,
    2,
  ).ratio;
});
say();
say(
  `Greatest value, ${optima.length} reference problems: median **` +
    `${f2(median(bestRatios))}** (goal ≤ 3), 90th percentile ` +
    `${f2(percentile(bestRatios, 0.9))}.`,
);

// ---- whole cases --------------------------------------------------------------------------------------------
const stall = JSON.parse(
  readFileSync(new URL("../../../demo/lantern-stall.pasear.json", import.meta.url), "utf8"),
) as CaseFile;
const times: number[] = [];
for (let i = 0; i < 1200; i++) {
  const changed: CaseFile = {
    ...stall,
    givens: stall.givens!.map((g, k) => (k === 0 ? { ...g, value: 150 + (i % 60) } : g)),
  };
  const t = performance.now();
  const { model, findings } = analyse(changed);
  for (const f of findings) sink += sentenceOf(f, model).length;
  if (i >= 500) times.push(performance.now() - t);
}
say();
say("## From a changed given to all findings");
say();
say(
  `The Lantern stall: median ${f2(median(times))} ms, 95th percentile **` +
    `${f2(percentile(times, 0.95))} ms** (goal < 4 ms).`,
);

const large = (n: number): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Large",
  givens: [{ name: "k", value: 2 }],
  variables: [{ name: "x", from: 0, to: 100 }],
  functions: Array.from({ length: n }, (_, i) => ({
    name: `f${i}`,
    of: "x",
    by: {
      kind: "formula" as const,
      text:
        i % 3 === 0
          ? `x (14 - x/${20 + i}) - k`
          : i % 3 === 1
            ? `f${i - 1} - ${i} - 2 x`
            : `40 exp(x/${60 + i}) - ${100 + i}`,
    },
  })),
  questions: Array.from({ length: n }, (_, i) =>
    i % 2 === 0
      ? { id: `q${i}`, ask: "reach" as const, function: `f${i}`, value: i }
      : { id: `q${i}`, ask: "greatest" as const, function: `f${i}` },
  ),
});
const sizes = [10, 50, 100, 200];
const bySize = sizes.map((n) => {
  const c = large(n);
  const list: number[] = [];
  for (let i = 0; i < 17; i++) {
    const t = performance.now();
    sink += analyse(c).findings.length;
    list.push(performance.now() - t);
  }
  return median(list.slice(6));
});
say();
say("| functions and questions | ms | ms for each question |");
say("|---|---|---|");
sizes.forEach((n, i) => say(`| ${n} | ${f2(bySize[i]!)} | ${f2(bySize[i]! / n)} |`));
say();
say(`From 10 to 200 (20 times as many) time grows ${f2(bySize[3]! / bySize[0]!)} times (goal: linear, 20).`);

say();
say("## Fits");
say();
const n = 10_000;
const fitX = Array.from({ length: n }, (_, i) => i + 1);
const fitY = fitX.map((v) => Number((13 + (20 * v) / n + Math.sin(v * 12.9898) * 5).toFixed(3)));
const columns = [0, 1, 2, 3].map((k) => Float64Array.from(fitX, (v) => (v / n) ** k));
const readings = Float64Array.from(fitY);
const fits = pair(
  () => {
    sink += rankModels(fitX, fitY, { context: { notNegative: true, limit: null } }).length;
  },
  () => {
    sink += solveLeastSquares(columns, readings)!.coefficients[0]!;
  },
  3,
  1,
);
say(
  `All families with leave-one-out on 10,000 rows: **${f2(fits.a)} ms** (goal < 2,000 ` +
    `ms), ${f2(fits.ratio)} times one plain QR solve of a cubic (${f2(fits.b)} ms).`,
);

// ---- plans --------------------------------------------------------------------------------------------------
const { names } = buildModel({ format: "pasear-case", version: 1, title: "T" });
function planTimes(sides: number): number[] {
  const plan = round(sides);
  const list: number[] = [];
  for (let i = 0; i < 160; i++) {
    const t = performance.now();
    sink += solvePlan(plan, names).result!.corners.length;
    if (i >= 60) list.push(performance.now() - t);
  }
  return list;
}
const [few, many] = [planTimes(5), planTimes(50)];
const highs = await loadHighs();
let seed = 90210;
const random = () => {
  seed = (seed * 48271) % 2147483647;
  return seed / 2147483647;
};
const program = (whole: boolean): Program => ({
  title: "T",
  greatest: true,
  constant: 0,
  variables: Array.from({ length: 200 }, (_, j) => ({ name: `x${j}`, whole })),
  cost: Array.from({ length: 200 }, () => 5 + Math.floor(random() * 40)),
  rows: [
    ...Array.from({ length: 200 }, (_, i) => ({
      id: `r${i}`,
      lower: -Infinity,
      upper: 400 + Math.floor(random() * 400),
      entries: Array.from(
        { length: 200 },
        (_, j) => [j, random() < 0.2 ? 1 + Math.floor(random() * 20) : 0] as const,
      ).filter(([, v]) => v > 0),
    })),
    ...Array.from({ length: 200 }, (_, j) => ({ id: `b${j}`, lower: 0, upper: 30, entries: [[j, 1] as const] })),
  ],
});
const solved = (p: Program) => {
  const t = performance.now();
  const a = solveCompiled(highs, p, { seconds: 2 });
  return { a, ms: performance.now() - t };
};
const wholeProgram = program(true);
const [real, whole] = [solved(program(false)), solved(wholeProgram)];
const gapOf = ({ bound, at }: { bound: number; at: readonly number[] }) =>
  (100 * Math.abs(bound - valueAt(wholeProgram, at))) / bound;
const wholeWords = () => (whole.a.whole === null ? "no whole point" : whole.a.whole.proven ? "proven" : "not finished");
say();
say("## Plans");
say();
say(
  "Two variables, exact, with corners, multipliers and ranges: 5 constraints " +
    `${f2(median(few))} ms, 50 constraints median **${f2(median(many))} ms** (goal < 5 ` +
    `ms), 95th percentile ${f2(percentile(many, 0.95))} ms.`,
);
say(
  "200 variables, 200 constraints and their bounds, compiled solver: real values " +
    `${f2(real.ms)} ms; whole values ${wholeWords()} in ${f2(whole.ms)} ms` +
    `${whole.a.whole && !whole.a.whole.proven ? `, told with its gap of ${f2(gapOf(whole.a.whole))} %` : ""}` +
    " (goal < 2 s, or told with the gap).",
);
if (!Number.isFinite(sink)) console.log(sink);
// What the browser test measured (tests/e2e/tools.spec.ts) stands at the end and is kept.
const page = new URL("../../../docs/benchmarks.md", import.meta.url);
const kept = existsSync(page) ? (/\n## In the browser[^]*$/.exec(readFileSync(page, "utf8"))?.[0] ?? "") : "";
writeFileSync(page, `${lines.join("\n")}\n${kept}`);
