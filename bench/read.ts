import { performance } from "node:perf_hooks";
import { caseOfStory } from "#core/reading";
import { measured, stories } from "./stories";

// npm run bench -- read: how much of our own stories is read, and how long 2,000 characters take.
const all = stories();
const results = all.map((s) => measured(s));
const sum = (of: (i: number) => number): number => all.reduce((total, _, i) => total + of(i), 0);
const share = (part: number, whole: number): string => `${part} of ${whole}, ${((100 * part) / whole).toFixed(1)} %`;

const numbers = sum((i) => all[i]!.numbers.length);
const offers = sum((i) => all[i]!.offers.length);
const offered = sum((i) => results[i]!.right + results[i]!.wrong.length);
console.log(`stories            ${all.length}`);
console.log(
  `numbers found      ${share(
    sum((i) => results[i]!.numbers),
    numbers,
  )} (goal 98 %)`,
);
console.log(
  `units right        ${share(
    sum((i) => results[i]!.units),
    numbers,
  )} (goal 92 %)`,
);
console.log(
  `offers right       ${share(
    sum((i) => results[i]!.right),
    offers,
  )} (goal 85 %)`,
);
console.log(
  `wrong offers       ${share(
    sum((i) => results[i]!.wrong.length),
    offered,
  )} (at most 3 %)`,
);
console.log(`answered, no hands ${share(results.filter((r) => r.isAnswered).length, all.length)} (goal 65 %)`);
for (const r of results)
  if (r.wrong.length + r.missing.length > 0 || !r.isAnswered)
    console.log(
      `  ${r.name}: ${r.isAnswered ? "answered" : "not answered"}; wrong: ${r.wrong.join(", ") || "none"}; ` +
        `missing: ${r.missing.join(", ") || "none"}`,
    );

const long = all
  .map((s) => s.text)
  .join("\n")
  .slice(0, 2000);
caseOfStory(long);
const times = Array.from({ length: 20 }, () => {
  const start = performance.now();
  caseOfStory(long);
  return performance.now() - start;
}).sort((a, b) => a - b);
const each = all.map((s) => {
  const start = performance.now();
  caseOfStory(s.text);
  return performance.now() - start;
});
const [median, longest] = [times[10]!, Math.max(...each)].map((ms) => ms.toFixed(1));
console.log(`2,000 characters   ${median} ms (median of 20), each story at most ${longest} ms`);
