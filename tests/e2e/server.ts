import { test as base, expect } from "@playwright/test";
import { TestServer } from "../shared/testServer";

/** Tests with a fresh server; whatever the page reports to its console as an error fails them. */
export const test = base.extend<{ server: TestServer; faults: string[] }>({
  server: async ({ browserName: _ }, use) => {
    const s = new TestServer();
    await s.start();
    await use(s);
    await s.end();
  },
  faults: [
    async ({ page }, use) => {
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
