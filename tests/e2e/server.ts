import { cpSync } from "node:fs";
import { dirname } from "node:path";
import { test as base, expect } from "@playwright/test";
import { TestServer } from "../shared/testServer";

/** What a server has after its first start, when all the demo cases are worked out. */
async function firstStart(): Promise<TestServer> {
  const first = new TestServer();
  await first.start();
  const isWaiting = async () => (await first.cases()).some((c) => c.summary === null);
  await expect.poll(isWaiting, { timeout: 30_000 }).toBe(false);
  await first.stop();
  return first;
}

interface Fixtures {
  server: TestServer;
  /** whether the browser has been here before */
  visits: "first" | "again";
  faults: string[];
}
/**
 * Tests with a fresh server, which has begun before with the demo cases; whatever the page reports to its console as
 * an error fails them.
 */
export const test = base.extend<Fixtures, { begun: TestServer }>({
  begun: [
    async ({ browserName: _ }, use) => {
      const first = await firstStart();
      await use(first);
      await first.end();
    },
    { scope: "worker" },
  ],
  server: async ({ begun }, use) => {
    const s = new TestServer();
    cpSync(dirname(begun.file), dirname(s.file), { recursive: true });
    await s.start();
    await use(s);
    await s.end();
  },
  visits: ["again", { option: true }],
  faults: [
    async ({ page, visits }, use) => {
      // Who comes for the first time is offered steps; the tests know their way.
      if (visits === "again")
        await page.addInitScript(() => {
          if (location.protocol.startsWith("http")) localStorage.setItem("pasear:first-steps-left", "true");
        });
      const faults: string[] = [];
      page.on("pageerror", (e) => faults.push(e.message));
      page.on("console", (m) => {
        if (m.type() === "error" && !/Failed to load resource|ERR_CONNECTION/.test(m.text())) faults.push(m.text());
      });
      await use(faults);
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});
export { TestServer, expect };
