import { answer, buildModel, type Finding } from "#core/model";
import { randomWorld } from "../tests/oracle/cases";
import { Chance } from "../tests/oracle/chance";
const out: any[] = [];
const n = Number(process.argv[2] ?? 1000), seed = Number(process.argv[3] ?? 5);
let total = 0;
for (let i = 0; i < n; i++) {
  const w = randomWorld(new Chance(seed * 1_000_003 + i));
  const m = buildModel(w.document);
  if (m.errors.length) continue;
  const done = new Map<string, Finding>();
  for (const q of w.document.questions ?? []) {
    const s = performance.now();
    const f = answer(q, m, (id) => done.get(id) ?? null);
    const t = performance.now() - s;
    total += t;
    done.set(q.id, f);
    out.push({ i, t, q: q.ask, fn: JSON.stringify(w.document.functions?.map((x: any) => x.by.text ?? x.by.pieces.map((p:any)=>[p.text,p.from,p.to].join(" "))) ), names:(q as any).function??(q as any).functions, r: `${w.from}..${w.to}${w.whole?" whole":""}`, ok: f.complete, st: f.status });
  }
}
out.sort((a, b) => b.t - a.t);
console.log(out.length, total.toFixed(0), "p99", out[Math.floor(out.length / 100)].t.toFixed(1));
for (const o of out.slice(0, Number(process.argv[4] ?? 40))) console.log(o.t.toFixed(0), o.i, o.q, o.names, o.ok ? "" : "OPEN", o.st, o.fn, o.r);
