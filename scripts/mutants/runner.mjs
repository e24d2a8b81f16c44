// A runner of tests for Stryker: all test files in one bundle, loaded anew for each mutant, of which only the tests
// that reach the mutant run, the quickest first, until one fails. Starting the library's runner for each mutant takes
// five seconds; this takes a quarter of one. Tests that are slow are left out, and a mutant that has lived through some
// seconds of tests is given up, so what is told is a lower bound.
import { existsSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join, relative } from "node:path";
import { pathToFileURL } from "node:url";
import { INSTRUMENTER_CONSTANTS } from "@stryker-mutator/api/core";
import { PluginKind, declareClassPlugin } from "@stryker-mutator/api/plugin";
import { DryRunStatus, MutantRunStatus, TestStatus, determineHitLimitReached } from "@stryker-mutator/api/test-runner";
import { packagesOutside } from "../bundle.mjs";
import { ownFoldersOf } from "../ownFolders.mjs";
import { collector } from "./collected.mjs";

/** A test that takes longer than this is left out; ms. */
const SLOW = Number(process.env.PASEAR_SLOW ?? 300);
/** Rooms whose tests are run, and the oracle. */
const ROOMS = (process.env.PASEAR_ROOMS ?? "numeric interval solve model question working judging oracle").split(" ");
/** What a mutant may cost in tests before it is said to live on; ms. */
const PATIENCE = Number(process.env.PASEAR_PATIENCE ?? 10_000);
const BUNDLE = "mutants-tests.cjs";

const testsIn = (folder) =>
  readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith(".test.ts"))
    .map((name) => join(folder, name));

/** "vitest" is the collector; a file's own address stays its own. */
const asInTheTests = {
  name: "as-in-the-tests",
  setup(made) {
    made.onResolve({ filter: /^vitest$/ }, () => ({ path: "vitest", namespace: "collected" }));
    made.onLoad({ filter: /.*/, namespace: "collected" }, () => ({
      contents: "module.exports = globalThis.collectedTests.api;",
    }));
    made.onLoad({ filter: /\.(test|fixture)\.ts$/ }, ({ path }) => ({
      contents: readFileSync(path, "utf8").replaceAll("import.meta.url", JSON.stringify(pathToFileURL(path).href)),
      loader: "ts",
    }));
  },
};

class TablesRunner {
  constructor() {
    // Where the changed code looks for which of its changes is on.
    this.globalNamespace = INSTRUMENTER_CONSTANTS.NAMESPACE;
    this.root = process.cwd();
    this.took = new Map();
  }

  capabilities() {
    return { reloadEnvironment: true };
  }

  async init() {
    const { build } = await import("esbuild");
    const files = ROOMS.flatMap((room) =>
      room === "oracle"
        ? ["first", "second"].map((half) => join(this.root, `tests/oracle/${half}.oracle.test.ts`))
        : testsIn(join(this.root, "core", room)),
    );
    const lines = files.map((f) => `${JSON.stringify(relative(this.root, f))}: () => require(${JSON.stringify(f)})`);
    const contents = `require("./tests/shared/seed.ts");\nmodule.exports = {\n${lines.join(",\n")}\n};`;
    await build({
      stdin: { contents, resolveDir: this.root, loader: "js" },
      outfile: join(this.root, BUNDLE),
      bundle: true,
      platform: "node",
      format: "cjs",
      target: "node20",
      logLevel: "error",
      plugins: [asInTheTests, ownFoldersOf(`${this.root}/`), packagesOutside],
    });
    this.require = createRequire(join(this.root, BUNDLE));
  }

  /** The tests of these files (of all, unless told), made by code that is loaded anew. */
  load(wanted) {
    const path = join(this.root, BUNDLE);
    const collected = (globalThis.collectedTests = collector());
    // The module that asked keeps what it ever loaded, unless it is told to forget it.
    const before = this.require.cache[path];
    if (before) before.parent?.children.splice(0);
    delete this.require.cache[path];
    const files = this.require(path);
    for (const [name, load] of Object.entries(files)) {
      if (!wanted || wanted.has(name)) collected.collect(name, load);
    }
    return collected.list;
  }

  async dryRun() {
    const ns = (globalThis[this.globalNamespace] ??= {});
    ns.mutantCoverage = { static: {}, perTest: {} };
    ns.currentTestId = undefined;
    const tests = [];
    for (const { id, work } of this.load()) {
      ns.currentTestId = id;
      const start = performance.now();
      const failureMessage = await failureOf(work);
      const timeSpentMs = performance.now() - start;
      if (failureMessage) tests.push({ id, name: id, timeSpentMs, status: TestStatus.Failed, failureMessage });
      else if (timeSpentMs > SLOW) delete ns.mutantCoverage.perTest[id];
      else tests.push({ id, name: id, timeSpentMs, status: TestStatus.Success });
    }
    ns.currentTestId = undefined;
    writeFileSync(join(this.root, "took.json"), JSON.stringify(tests.map((t) => [t.id, t.timeSpentMs])));
    return { status: DryRunStatus.Complete, tests, mutantCoverage: ns.mutantCoverage };
  }

  async mutantRun({ activeMutant, hitLimit, mutantActivation, testFilter = [] }) {
    if (this.took.size === 0 && existsSync(join(this.root, "took.json")))
      this.took = new Map(JSON.parse(readFileSync(join(this.root, "took.json"), "utf8")));
    const ns = (globalThis[this.globalNamespace] ??= {});
    Object.assign(ns, { hitCount: undefined, hitLimit, currentTestId: undefined, activeMutant: undefined });
    ns.mutantCoverage = { static: {}, perTest: {} };
    if (mutantActivation === "static") ns.activeMutant = activeMutant.id;
    const wanted = new Set(testFilter);
    const tests = this.load(new Set(testFilter.map((id) => id.split(" › ")[0])));
    Object.assign(ns, { hitCount: 0, activeMutant: activeMutant.id });
    const due = tests.filter((t) => wanted.has(t.id));
    due.sort((a, b) => (this.took.get(a.id) ?? 0) - (this.took.get(b.id) ?? 0));
    const start = performance.now();
    for (const { id, work } of due) {
      if (performance.now() - start > PATIENCE) break;
      const failureMessage = await failureOf(work);
      const late = determineHitLimitReached(ns.hitCount, hitLimit);
      if (late) return { ...late, status: MutantRunStatus.Timeout };
      if (failureMessage)
        return { status: MutantRunStatus.Killed, killedBy: [id], failureMessage, nrOfTests: due.length };
    }
    ns.activeMutant = undefined;
    return { status: MutantRunStatus.Survived, nrOfTests: due.length };
  }
}

async function failureOf(work) {
  try {
    await work();
    return null;
  } catch (failure) {
    return String(failure?.message ?? failure).slice(0, 500) || "failed";
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, "tables", TablesRunner)];
