// npm test: lint, types, unit tests, the production build, and the browser tests against it. `npm test -- unit` runs
// one part, `npm test -- --repeat 10` each browser test ten times.
import { existsSync, rmSync } from "node:fs";
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { build, checkNode, install, prepare, root, run, runPackage, step } from "./lib.mjs";
import { slowest } from "./slowest.mjs";

checkNode();
const PARTS = ["lint", "types", "unit", "build", "e2e"];
const IMPORTS = ["--config", ".dependency-cruiser.cjs", "core", "app", "server", "shared", "scripts"];
const given = process.argv.slice(2);
const repeatAt = given.indexOf("--repeat");
const repeat = repeatAt < 0 ? "1" : given[repeatAt + 1];
if (!/^[1-9]\d*$/.test(repeat ?? "")) {
  console.error("--repeat wants how often: a whole number from 1 on.");
  process.exit(2);
}
const asked = repeatAt < 0 ? given : given.toSpliced(repeatAt, 2);
const unknown = asked.find((a) => !PARTS.includes(a));
if (unknown) {
  console.error(`${unknown} is no part of the tests; the parts are ${PARTS.join(", ")}.`);
  process.exit(2);
}
const wants = (part) => asked.length === 0 || asked.includes(part);

function chromium() {
  const known = [
    process.env.CHROMIUM_PATH,
    "/usr/bin/chromium",
    "/usr/bin/chromium-browser",
    "/usr/bin/google-chrome",
  ].find((p) => p && existsSync(p));
  if (known) return known;
  const found = spawnSync("sh", ["-c", "command -v chromium chromium-browser"], { encoding: "utf8" }).stdout.split(
    "\n",
  )[0];
  return found || null;
}
async function needChromium() {
  const here = chromium();
  if (here) return here;
  const canApt =
    spawnSync("sh", ["-c", "command -v apt-get"], { encoding: "utf8" }).status === 0 && process.getuid?.() === 0;
  if (canApt) {
    await step("installing Chromium from Debian for the browser tests", async () => {
      await run("apt-get", ["update", "-qq"], { quiet: true });
      await run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], {
        quiet: true,
        env: { DEBIAN_FRONTEND: "noninteractive" },
      });
    });
    const installed = chromium();
    if (installed) return installed;
  }
  console.error(
    "The browser tests need Chromium, and none was found. Install it (Debian: apt-get " +
      "install chromium) or set CHROMIUM_PATH to it.",
  );
  process.exit(1);
}

const reports = ["unit", "e2e"].map((name) => join(root, `node_modules/.cache/pasear/${name}.json`));
for (const report of reports) rmSync(report, { force: true });
const start = Date.now();
const failed = [];
async function part(name, what, work) {
  if (!wants(name)) return;
  try {
    await step(what, work);
  } catch (failure) {
    if (!failed.includes(name)) failed.push(name);
    console.error(`  ✗ ${name}: ${failure.message}`);
  }
}

await install();
if (wants("lint") || wants("types")) await prepare();
// What installs the browser mostly waits: it does so beside the rest. Whether it failed is told with the browser tests.
const browserComes = wants("e2e") ? needChromium() : null;
browserComes?.catch(() => {});
const check = (name, what, program, ...args) => part(name, what, () => runPackage(program, args));
/** None changes what another reads, and none keeps both cores of a small machine busy: two at once, long ones first. */
const checks = [
  () => check("types", "types", "vue-tsc/bin/vue-tsc.js", "-b"),
  () => check("lint", "one way of writing", "prettier/bin/prettier.cjs", "--check", ".", "--log-level", "warn"),
  () => check("lint", "lint", "eslint/bin/eslint.js", ".", "--max-warnings", "0"),
  () => check("lint", "what nobody uses", "knip/bin/knip.js"),
  () => check("lint", "which way imports go", "dependency-cruiser/bin/dependency-cruise.mjs", ...IMPORTS),
];
async function checking() {
  for (let next = checks.shift(); next; next = checks.shift()) await next();
}
await Promise.all([checking(), checking()]);
const unit = () =>
  part("unit", "unit tests", () =>
    runPackage("vitest/vitest.mjs", [
      "run",
      "--reporter=default",
      "--reporter=json",
      `--outputFile.json=${reports[0]}`,
    ]),
  );
const built = async () => {
  if (wants("build") || wants("e2e")) await part(wants("build") ? "build" : "e2e", "the production build", build);
};
const playwright = (browser, more) =>
  runPackage("@playwright/test/cli.js", ["test", "--reporter=line,json", ...more], {
    env: { CHROMIUM_PATH: browser, PLAYWRIGHT_JSON_OUTPUT_NAME: reports[1] },
  });
async function browserTests(browser) {
  if (repeat === "1") return playwright(browser, []);
  // A project that another waits for is never repeated, so each is run by itself.
  for (const project of ["frames", "views"])
    await playwright(browser, ["--project", project, "--no-deps", "--repeat-each", repeat]);
}
await Promise.all([unit(), built()]);
if (wants("e2e") && failed.length === 0) {
  await part("e2e", "browser tests against the production build", async () => browserTests(await browserComes));
} else if (wants("e2e") && !failed.includes("e2e")) console.error("▸ browser tests left out: an earlier part failed");

console.log(["\nThe ten that took longest:", ...slowest(...reports)].join("\n"));
console.log(
  failed.length === 0
    ? `\nAll passed in ${((Date.now() - start) / 1000).toFixed(0)} s.`
    : `\nFailed: ${failed.join(", ")}.`,
);
process.exit(failed.length === 0 ? 0 : 1);
