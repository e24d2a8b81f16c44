import { performance } from "node:perf_hooks";
import fc from "fast-check";
import { verdictOfStep } from "../core/judging/step.fixture";
import { rightSteps, wrongSteps } from "../core/judging/steps.fixture";
import { worked, problems } from "./worked";

// npm run bench -- working [STEPS] [SEED]: our own problems worked, how long that takes, and random steps judged.
const steps = Number(process.argv[3] ?? 2000);
const seed = Number(process.argv[4] ?? 20311);

const all = problems();
const results = all.map((p) => worked(p));
const times = results.map((r) => r.ms).sort((a, b) => a - b);
const share = (part: number, whole: number): string => `${part} of ${whole}, ${((100 * part) / whole).toFixed(2)} %`;
console.log(`worked problems    ${share(results.filter((r) => r.isWorked).length, all.length)}`);
console.log(`end as they should ${share(results.filter((r) => r.isRight).length, all.length)}`);
console.log(
  `one working        median ${times[times.length >> 1]!.toFixed(1)} ms, longest ${times.at(-1)!.toFixed(1)} ms`,
);
for (const [i, r] of results.entries()) if (!r.isRight) console.log(`  not so: ${all[i]!.title}: ${r.says}`);

let [asked, follows, wronged] = [0, 0, 0];
const start = performance.now();
for (const step of fc.sample(rightSteps, { numRuns: steps, seed })) {
  const { verdict, line } = verdictOfStep(step, asked++ % 2 === 0);
  if (verdict === "follows") follows++;
  if (/wrong|loses|unread/.test(verdict)) {
    wronged++;
    console.log(`  called ${verdict}: ${line}`);
  }
}
console.log(`right steps        ${share(follows, asked)} follow, ${wronged} called wrong (goal 0)`);
let [mutated, caught, followed] = [0, 0, 0];
for (const step of fc.sample(wrongSteps, { numRuns: steps, seed })) {
  const { verdict, line } = verdictOfStep(step, mutated++ % 2 === 0);
  if (verdict === "wrong" || verdict === "loses") caught++;
  if (verdict === "follows") {
    followed++;
    console.log(`  said to follow: ${line}`);
  }
}
console.log(`wrong steps        ${share(caught, mutated)} caught (goal 99 %), ${followed} said to follow`);
console.log(`one line           ${((performance.now() - start) / (asked + mutated)).toFixed(1)} ms on average`);
