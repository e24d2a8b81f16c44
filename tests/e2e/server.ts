import { cpSync } from "node:fs";
import { dirname } from "node:path";
import { test as base, expect, type ConsoleMessage, type Page } from "@playwright/test";
import { TestServer } from "../shared/testServer";
import { beenHere, sharedTab, tidied } from "./sharedTab";
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
  /** a tab that tests use one after the other, or one of its own for each, as those need that look at how it begins */
  tab: "shared" | "own";
  faults: string[];
}
interface Workers {
  shared: Shared;
  sharedTab: Page;
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
  sharedTab: [
    async ({ browser }, use) => {
      const page = await sharedTab(browser);
      await use(page);
      await page.context().close();
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
  tab: ["shared", { option: true }],
  context: async ({ browser, tab, sharedTab }, use) => {
    if (tab === "shared") {
      await use(sharedTab.context());
      return;
    }
    const context = await browser.newContext();
    await use(context);
    await context.close();
  },
  page: async ({ context, tab, sharedTab, visits }, use) => {
    if (tab === "shared") {
      await tidied(sharedTab);
      await use(sharedTab);
      return;
    }
    const page = await context.newPage();
    if (visits === "again") await beenHere(page);
    await use(page);
  },
  faults: [
    async ({ page }, use) => {
      const faults: string[] = [];
      const thrown = (e: Error) => faults.push(e.message);
      const told = (m: ConsoleMessage) => {
        if (m.type() === "error" && !/Failed to load resource|ERR_CONNECTION/.test(m.text())) faults.push(m.text());
      };
      page.on("pageerror", thrown);
      page.on("console", told);
      await use(faults);
      page.off("pageerror", thrown);
      page.off("console", told);
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});
export { TestServer, expect };
