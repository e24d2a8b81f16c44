import { Tally, tryCase } from "../tests/oracle/run";

// npm run bench -- claims [COUNT] [SEED] [CASE]: a million random claims by default, about two hours on a two-core
// machine. A run that was ended is gone on with from the case that it told last.
const [count, seed, first] = [process.argv[3] ?? 1_000_000, process.argv[4] ?? 7, process.argv[5] ?? 0].map(Number) as [
  number,
  number,
  number,
];
if (!(count > 0) || !Number.isInteger(seed) || !(first >= 0)) {
  console.error("Usage: npm run bench -- claims [COUNT] [SEED] [CASE], all whole numbers.");
  process.exit(2);
}

const tally = new Tally();
const started = performance.now();
let [told, timed] = [0, 0];
/** A question that takes more processor time than this is told, to be looked at again by itself; ms. */
const LONG = 1000;
for (let i = first; tally.claims < count; i++) {
  tryCase(seed * 1_000_003 + i, tally);
  // A run takes hours: what is found is told at once.
  for (const c of tally.contradictions.slice(told)) console.log(`case ${i}: ${c}`);
  told = tally.contradictions.length;
  for (const ms of tally.times.slice(timed))
    if (ms > LONG) console.log(`case ${i}: a question took ${ms.toFixed(0)} ms`);
  timed = tally.times.length;
  if (i % 2000 === 1999)
    console.log(
      `${tally.claims} claims, ${tally.contradictions.length} contradicted, ${tally.open} not settled; case ${i + 1}`,
    );
}
const times = [...tally.times].sort((a, b) => a - b);
const at = (share: number) => times[Math.min(times.length - 1, Math.floor(share * times.length))]!.toFixed(1);
console.log(
  `claims ${tally.claims}, contradictions ${tally.contradictions.length}, faults ` +
    `${tally.faults.length}, not settled ${tally.open}, refused ${tally.refused}`,
);
for (const [kind, { claims, open }] of Object.entries(tally.byKind))
  console.log(`  ${kind}: ${claims} claims, ${open} not settled`);
console.log(
  `a question, in processor time: median ${at(0.5)} ms, 99 of 100 within ${at(0.99)} ms, longest ${at(1)} ` +
    `ms (${((performance.now() - started) / 1000).toFixed(0)} s in all)`,
);
for (const c of [...tally.contradictions, ...tally.faults].slice(0, 20)) console.log(c);
process.exit(tally.contradictions.length + tally.faults.length === 0 ? 0 : 1);
