// npm run fuzz [SEED]: the properties and the oracle with a seed of the day instead of the fixed one. What it finds
// becomes a fixed example.
import { runPackage } from "./lib.mjs";

const asked = process.argv[2];
if (asked !== undefined && !/^\d+$/.test(asked)) {
  console.error(`${asked} is no seed; a whole number should stand there.`);
  process.exit(2);
}
const seed = asked ?? String(Date.now() % 2147483647);
console.log(`seed ${seed} (npm run fuzz -- ${seed} repeats this run)`);
try {
  await runPackage(
    "vitest/vitest.mjs",
    ["run", "property", "oracle", "compiledPlan", "derivatives", "story", "plan.test"],
    {
      env: { PASEAR_SEED: seed },
    },
  );
} catch {
  process.exit(1);
}
