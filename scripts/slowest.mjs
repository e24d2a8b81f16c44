import { existsSync, readFileSync } from "node:fs";

/** How many tests are told. */
const TOLD = 10;

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null);
const unitTests = (report) =>
  (report?.testResults ?? []).flatMap((file) =>
    file.assertionResults.map((t) => ({ name: t.fullName, ms: t.duration ?? 0 })),
  );
const browserTests = (suite) => [
  ...(suite.specs ?? []).map((spec) => ({
    name: spec.title,
    ms: Math.max(0, ...spec.tests.flatMap((t) => t.results.map((r) => r.duration))),
  })),
  ...(suite.suites ?? []).flatMap(browserTests),
];

/** The tests that took longest, a line each, from the JSON reports of both runners. */
export function slowest(unitReport, browserReport) {
  const all = [...unitTests(read(unitReport)), ...browserTests(read(browserReport) ?? {})];
  return all
    .sort((a, b) => b.ms - a.ms)
    .slice(0, TOLD)
    .map(({ name, ms }) => `  ${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`);
}
