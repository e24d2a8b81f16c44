// npm run mutate [-- SHARE [FOLDER ...]]: changes the code of core/ in small ways, one at a time, and counts how many
// of the changes the tests notice. SHARE 10 tries one stretch of lines in ten; all of them take hours. What lives on is
// told as it comes, so that a run may be ended (Ctrl-C). PASEAR_STRETCHES is a seed for other stretches.
import { mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { runPackage } from "./lib.mjs";
import { TOLD_IN } from "./mutants/reporter.mjs";

const root = fileURLToPath(new URL("..", import.meta.url));
const FOLDERS = ["solve", "model", "question", "interval", "numeric"];
/** Lines that are tried or left out together. */
const STRETCH = 8;
const SEED = Number(process.env.PASEAR_STRETCHES ?? 20311);

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
const config = join(cache, "stryker.json");
writeFileSync(
  config,
  JSON.stringify({
    testRunner: "tables",
    plugins: ["runner", "reporter"].map((name) => join(root, `scripts/mutants/${name}.mjs`)),
    coverageAnalysis: "perTest",
    concurrency: Number(process.env.PASEAR_WORKERS ?? 1),
    ignoreStatic: true,
    timeoutMS: 20_000,
    // The first run of all tests, alone; beside other work at a low priority it takes many times as long.
    dryRunTimeoutMinutes: 60,
    ignorePatterns: ["docs", ".output", ".nuxt", ".data", "tests/e2e"],
    tempDirName: "node_modules/.cache/stryker",
    reporters: ["as-they-come", "progress-append-only"],
    allowEmpty: true,
    mutate,
  }),
);
/** How many were noticed, folder by folder, as far as they were tried. */
function tell() {
  const told = readFileSync(resolve(root, TOLD_IN), "utf8").trim().split("\n").filter(Boolean).map(JSON.parse);
  for (const folder of folders) {
    const tried = told.filter(({ file }) => file.includes(`core/${folder}/`));
    const noticed = tried.filter(({ status }) => status === "Killed" || status === "Timeout").length;
    const all = noticed + tried.filter(({ status }) => status === "Survived" || status === "NoCoverage").length;
    const late = tried.filter(({ status }) => status === "Timeout").length;
    if (all > 0)
      console.log(`${folder}: ${noticed} of ${all} noticed (${((100 * noticed) / all).toFixed(0)} %), ${late} by time`);
  }
}
process.on("SIGINT", () => {
  tell();
  process.exit(1);
});
await runPackage("@stryker-mutator/core/bin/stryker.js", ["run", config]);
tell();
