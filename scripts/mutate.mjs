// npm run mutate [-- SHARE [FOLDER ...]]: changes the code of core/ in small ways, one at a time, and counts how many
// of the changes the tests notice. SHARE 10 tries one stretch of lines in ten; all of them take most of a day.
import { mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { runPackage } from "./lib.mjs";

const root = fileURLToPath(new URL("..", import.meta.url));
const FOLDERS = ["solve", "model", "question", "interval", "numeric"];
/** Lines that are tried or left out together. */
const STRETCH = 8;
const SEED = 20311;

const [shareText = "1", ...asked] = process.argv.slice(2);
const share = Number(shareText);
const unknown = asked.find((f) => !FOLDERS.includes(f));
if (!(Number.isInteger(share) && share >= 1) || unknown) {
  console.error(`Usage: npm run mutate [-- SHARE [FOLDER ...]]; a whole number, and some of ${FOLDERS.join(", ")}.`);
  process.exit(2);
}

/** A fixed sequence of numbers below 1, so that the same stretches are tried each time. */
let state = SEED;
function chance() {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
}
const filesOf = (folder) =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return name === "fixtures" ? [] : filesOf(path);
    return /\.ts$/.test(name) && !/\.(test|fixture)\.ts$/.test(name) ? [path] : [];
  });
const stretchesOf = (file) => {
  const lines = readFileSync(join(root, file), "utf8").split("\n").length;
  return Array.from(
    { length: Math.ceil(lines / STRETCH) },
    (_, i) => `${file}:${i * STRETCH + 1}-${(i + 1) * STRETCH}`,
  );
};
const folders = asked.length > 0 ? asked : FOLDERS;
const files = folders.flatMap((f) => filesOf(join("core", f)));
const mutate = share === 1 ? files : files.flatMap(stretchesOf).filter(() => chance() < 1 / share);

const cache = join(root, "node_modules/.cache/pasear");
mkdirSync(cache, { recursive: true });
const report = join(cache, "mutants.json");
const config = join(cache, "stryker.json");
writeFileSync(
  config,
  JSON.stringify({
    testRunner: "vitest",
    plugins: ["@stryker-mutator/vitest-runner"],
    vitest: { configFile: "vitest.mutate.config.ts", related: false },
    coverageAnalysis: "perTest",
    concurrency: Number(process.env.PASEAR_WORKERS ?? 1),
    ignoreStatic: true,
    timeoutMS: 20_000,
    ignorePatterns: ["docs", ".output", ".nuxt", ".data", "tests/e2e"],
    tempDirName: "node_modules/.cache/stryker",
    reporters: ["json", "progress-append-only"],
    jsonReporter: { fileName: report },
    allowEmpty: true,
    mutate,
  }),
);
await runPackage("@stryker-mutator/core/bin/stryker.js", ["run", config]);

const counts = new Map();
for (const [file, { mutants }] of Object.entries(JSON.parse(readFileSync(report, "utf8")).files)) {
  const folder = file.split("/")[1];
  const of = counts.get(folder) ?? { noticed: 0, survived: 0 };
  counts.set(folder, of);
  for (const m of mutants) {
    if (m.status === "Killed" || m.status === "Timeout") of.noticed++;
    if (m.status !== "Survived" && m.status !== "NoCoverage") continue;
    of.survived++;
    console.log(`  survived: ${file}:${m.location.start.line} ${m.mutatorName} → ${m.replacement?.slice(0, 80)}`);
  }
}
for (const [folder, { noticed, survived }] of counts) {
  const all = noticed + survived;
  console.log(`${folder}: ${noticed} of ${all} noticed (${all === 0 ? "none" : ((100 * noticed) / all).toFixed(0)} %)`);
}
