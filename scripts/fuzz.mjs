// npm run fuzz [-- SEED [COUNT]]: the properties, the oracle and hostile input (COUNT pieces of it) with a seed of the
// day instead of the fixed one. What it finds becomes a fixed example.
import { runPackage } from "./lib.mjs";

const [asked, count = "20000"] = process.argv.slice(2);
for (const given of [asked, count])
  if (given !== undefined && !/^\d+$/.test(given)) {
    console.error(`${given} is no seed and no count; whole numbers should stand there.`);
    process.exit(2);
  }
const seed = asked ?? String(Date.now() % 2147483647);
console.log(`seed ${seed} (npm run fuzz -- ${seed} repeats this run)`);
try {
  await runPackage(
    "vitest/vitest.mjs",
    [
      "run",
      "property",
      "oracle",
      "hostile",
      "compiledPlan",
      "planSizes",
      "derivatives",
      "core/story",
      "core/plan/plan",
    ],
    {
      env: { PASEAR_SEED: seed, PASEAR_HOSTILE: count },
    },
  );
} catch {
  process.exit(1);
}
