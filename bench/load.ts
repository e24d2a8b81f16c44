import { readFileSync } from "node:fs";
import { Agent, request } from "node:http";
import { TestServer } from "../tests/shared/testServer";

// npm run bench -- load [SECONDS] [BROWSERS]: as many browsers' worth of reading and writing as that (60 s of 200),
// beside as many requests of a route that does nothing, in one run; errors, ratios, and the memory at its beginning and
// end. Needs a build.
const [seconds, browsers] = [Number(process.argv[3] ?? 60), Number(process.argv[4] ?? 200)];
if (!(seconds > 0) || !(browsers >= 1)) {
  console.error("Usage: npm run bench -- load [SECONDS] [BROWSERS]");
  process.exit(2);
}
const server = new TestServer();
const agent = new Agent({ keepAlive: true, maxSockets: browsers });
const document = JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as { givens: { value: number }[] };

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly ms: number;
}
function ask(path: string, method = "GET", body?: unknown): Promise<Answer> {
  const started = performance.now();
  const text = body === undefined ? undefined : JSON.stringify(body);
  const headers =
    text === undefined ? {} : { "content-type": "application/json", "content-length": Buffer.byteLength(text) };
  return new Promise((resolve, reject) => {
    const asked = request({ host: "127.0.0.1", port: server.port, path, method, agent, headers }, (answer) => {
      let said = "";
      answer.on("data", (part: Buffer) => {
        said += part.toString();
      });
      answer.on("end", () => resolve({ status: answer.statusCode!, text: said, ms: performance.now() - started }));
    });
    asked.on("error", reject);
    asked.end(text);
  });
}

/** What one browser does: opens its case, reads it again and again, and keeps a change every third time. */
async function browse(told: Told, until: number): Promise<void> {
  const made = await told.hear(ask("/api/cases", "POST", { case: document }), 201);
  const { id, ...own } = JSON.parse(made.text) as { id: string; revision: number };
  let { revision } = own;
  for (let i = 1; performance.now() < until; i++) {
    if (i % 50 === 0) await told.hear(ask("/api/cases"), 200);
    else if (i % 3 > 0) await told.hear(ask(`/api/cases/${id}`), 200);
    else {
      const changed = {
        ...document,
        givens: [{ ...document.givens[0]!, value: 100 + (i % 200) }, ...document.givens.slice(1)],
      };
      const kept = await told.hear(ask(`/api/cases/${id}`, "PUT", { case: changed, revision }), 200);
      revision = (JSON.parse(kept.text) as { revision: number }).revision;
    }
  }
}
async function knock(told: Told, until: number): Promise<void> {
  while (performance.now() < until) await told.hear(ask("/api/health"), 200);
}

class Told {
  readonly times: number[] = [];
  errors = 0;
  async hear(answer: Promise<Answer>, wanted: number): Promise<Answer> {
    const heard = await answer;
    this.times.push(heard.ms);
    if (heard.status !== wanted) {
      this.errors++;
      if (this.errors <= 3) console.log(`${heard.status} instead of ${wanted}: ${heard.text.slice(0, 200)}`);
    }
    return heard;
  }
  at(share: number): number {
    const sorted = [...this.times].sort((a, b) => a - b);
    return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  }
}
async function measured(what: (told: Told, until: number) => Promise<void>, length: number): Promise<Told> {
  const told = new Told();
  const until = performance.now() + length * 1000;
  await Promise.all(Array.from({ length: browsers }, () => what(told, until)));
  return told;
}
try {
  // All of them come from one address here.
  await server.start({ PASEAR_LOG: "error", PASEAR_RATE: "1000000" });
  const bare = await measured(knock, Math.min(10, seconds));
  const before = server.memory();
  const load = await measured(browse, seconds);
  const after = server.memory();
  const rate = (t: Told, length: number) => t.times.length / length;
  console.log(`${browsers} browsers for ${seconds} s: ${load.times.length} requests, ${load.errors} errors`);
  console.log(`throughput: ${(rate(load, seconds) / rate(bare, Math.min(10, seconds))).toFixed(3)} of a bare route's`);
  console.log(`99 of 100 answers: ${(load.at(0.99) / bare.at(0.99)).toFixed(1)} times a bare route's`);
  console.log(`memory: ${before.toFixed(0)} MB before, ${after.toFixed(0)} MB after`);
  process.exitCode = load.errors + bare.errors === 0 ? 0 : 1;
} finally {
  agent.destroy();
  await server.end();
}
