import { answer, buildModel, type Finding } from "#core/model";
import { randomWorld } from "../tests/oracle/cases";
import { Chance } from "../tests/oracle/chance";
const seed = Number(process.argv[2]), is = process.argv[3].split(",").map(Number), reps = Number(process.argv[4] ?? 3);
for (const i of is) for (let r = 0; r < reps; r++) {
  const w = randomWorld(new Chance(seed * 1_000_003 + i));
  const m = buildModel(w.document);
  const done = new Map<string, Finding>();
  const s = performance.now();
  for (const q of w.document.questions ?? []) done.set(q.id, answer(q, m, (id) => done.get(id) ?? null));
  if (r == reps - 1) console.log(i, (performance.now() - s).toFixed(0));
}
