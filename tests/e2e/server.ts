import { cpSync } from "node:fs";
import { dirname } from "node:path";
import { test as base, expect } from "@playwright/test";
import { TestServer } from "../shared/testServer";
import { readShelf, writeShelf, type ShelfRows } from "./shelfRows";

/** The database after a server's first start, which tests/e2e/firstStart.ts has made for all. */
const begun = (): string => process.env.PASEAR_BEGUN!;
async function startedAgain(): Promise<TestServer> {
  const server = new TestServer();
  cpSync(dirname(begun()), dirname(server.file), { recursive: true });
  await server.start();
  return server;
}

/** A server that tests use one after the other, and what it has at the beginning of each. */
interface Shared {
  readonly server: TestServer;
  readonly rows: ShelfRows;
}

interface Fixtures {
  /** with a server of its own, which may be stopped: to start one costs a second */
  alone: boolean;
  server: TestServer;
  /** whether the browser has been here before */
  visits: "first" | "again";
  faults: string[];
}
interface Workers {
  shared: Shared;
}
/**
 * Tests with a server that has begun before with the demo cases, and has nothing else; whatever the page reports to
 * its console as an error fails them.
 */
export const test = base.extend<Fixtures, Workers>({
  shared: [
    async ({ browserName: _ }, use) => {
      const shared = { server: await startedAgain(), rows: await readShelf(begun()) };
      await use(shared);
      await shared.server.end();
    },
    { scope: "worker" },
  ],
  alone: [false, { option: true }],
  server: async ({ shared, alone }, use) => {
    if (alone) {
      const server = await startedAgain();
      await use(server);
      await server.end();
    } else {
      await writeShelf(shared.server.file, shared.rows);
      await use(shared.server);
    }
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
