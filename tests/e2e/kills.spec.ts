import { createClient } from "@libsql/client";
import { expect, test, type TestServer } from "./server";

// The server is killed.
test.use({ alone: true, tab: "own" });

/** `npm run soak` kills 500 times. */
const KILLS = Number(process.env.PASEAR_KILLS ?? 20);
const SEED = Number(process.env.PASEAR_SEED ?? 20311);

let state = SEED;
/** A fixed sequence of numbers below 1. */
const chance = (): number => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
};
const json = { "content-type": "application/json" };
const document = (value: number) => ({
  format: "pasear-case",
  version: 1,
  title: "Written while killed",
  givens: [{ name: "F", value }],
});

/** One case as its writer knows it: what was acknowledged, and what was on its way when the server was killed. */
class Writer {
  revision = 0;
  value = 0;
  onItsWay: number | null = null;
  acknowledged = 0;
  constructor(readonly id: string) {}

  /** Writes one change after the other until the server is gone. */
  async write(server: TestServer): Promise<void> {
    for (;;) {
      const next = this.value + 1;
      this.onItsWay = next;
      const sent = { case: document(next), ...(this.revision === 0 ? { id: this.id } : { revision: this.revision }) };
      const [path, method] = this.revision === 0 ? ["", "POST"] : [`/${this.id}`, "PUT"];
      const answer = await fetch(`${server.url}/api/cases${path}`, {
        method,
        headers: json,
        body: JSON.stringify(sent),
      })
        .then(async (r) => ({ status: r.status, body: (await r.json()) as { revision: number } }))
        .catch(() => null);
      if (answer === null) return;
      expect([200, 201]).toContain(answer.status);
      this.revision = answer.body.revision;
      this.value = next;
      this.onItsWay = null;
      this.acknowledged++;
    }
  }

  /** Everything acknowledged is there; what was on its way is there wholly or not at all. */
  async check(server: TestServer): Promise<void> {
    const r = await fetch(`${server.url}/api/cases/${this.id}`);
    if (r.status === 404) {
      expect(this.revision, "an acknowledged case is gone").toBe(0);
      return;
    }
    const kept = (await r.json()) as { revision: number; case: ReturnType<typeof document> };
    const value = kept.case.givens[0]!.value;
    const isAsAcknowledged = kept.revision === this.revision && value === this.value;
    const isOneFurther = kept.revision === this.revision + 1 && value === this.onItsWay;
    expect(isAsAcknowledged || isOneFurther, `${value} at ${kept.revision}, acknowledged ${this.value}`).toBe(true);
    [this.revision, this.value] = [kept.revision, value];
  }
}

test(
  `of what was acknowledged nothing is lost when the server is killed ${KILLS} times, ` + "and nothing is doubled",
  async ({ server }) => {
    test.setTimeout(60_000 + KILLS * 6000);
    const before = (await server.cases()).length;
    const writers: Writer[] = [];
    for (let i = 0; i < KILLS; i++) {
      writers.push(new Writer(`killed-${i}`));
      const active = writers.slice(-3);
      const sum = () => active.reduce((n, w) => n + w.acknowledged, 0);
      const had = sum();
      const writing = active.map((w) => w.write(server));
      // However slow the machine is, something has been acknowledged when the server is killed.
      while (sum() === had) await new Promise((resolve) => setTimeout(resolve, 2));
      await new Promise((resolve) => setTimeout(resolve, 20 + chance() * 180));
      await server.kill();
      await Promise.all(writing);
      await server.start();
      for (const w of active) await w.check(server);
    }
    for (const w of writers) await w.check(server);
    const all = (await server.cases()).filter((c) => c.id.startsWith("killed-"));
    expect((await server.cases()).length).toBe(before + all.length);
    expect(new Set(all.map((c) => c.id)).size).toBe(all.length);
    await server.kill();
    const client = createClient({ url: `file:${server.file}` });
    expect((await client.execute("PRAGMA integrity_check")).rows[0]).toMatchObject({ integrity_check: "ok" });
    client.close();
  },
);
