import type { CDPSession, Page } from "@playwright/test";
import { says } from "./pages";
import { expect, test } from "./server";

test.use({ tab: "own" });

/** How often a case is opened; `PASEAR_OPENED=50` tries it for longer. */
const OPENED = Number(process.env.PASEAR_OPENED ?? 12);
/** By then everything that is kept for good has come. */
const WARM = Math.floor(OPENED / 3);
const TITLES = ["Lantern stall", "A ball over the river"];

async function openAndLeave(page: Page, title: string): Promise<void> {
  await page
    .getByRole("link", { name: `Open ${title}` })
    .first()
    .click();
  await expect(says(page).first()).toBeVisible();
  await page.goBack();
  await expect(page.getByRole("heading", { name: "Cases", exact: true })).toBeVisible();
}
/** What the page holds when all that is garbage is gone: bytes of script, and nodes of documents. */
async function held(session: CDPSession): Promise<{ bytes: number; nodes: number; listeners: number }> {
  await session.send("HeapProfiler.collectGarbage");
  const { usedSize } = await session.send("Runtime.getHeapUsage");
  const { nodes, jsEventListeners } = await session.send("Memory.getDOMCounters");
  return { bytes: usedSize, nodes, listeners: jsEventListeners };
}

test("cases are opened and left again, and nothing of them stays in memory", async ({ page, server }) => {
  test.setTimeout(60_000 + OPENED * 20_000);
  const session = await page.context().newCDPSession(page);
  await page.goto(server.url);
  let first: Awaited<ReturnType<typeof held>> | null = null;
  for (let i = 0; i < OPENED; i++) {
    await openAndLeave(page, TITLES[i % TITLES.length]!);
    if (i + 1 === WARM) first = await held(session);
  }
  const last = await held(session);
  const told = (h: typeof last) => `${(h.bytes / 1e6).toFixed(1)} MB, ${h.nodes} nodes, ${h.listeners} listeners`;
  console.log(`after ${WARM} cases ${told(first!)}; after ${OPENED} ${told(last)}`);
  expect(last.bytes).toBeLessThan(first!.bytes * 1.15);
  expect(last.nodes).toBeLessThan(first!.nodes * 1.15);
  expect(last.listeners).toBeLessThan(first!.listeners * 1.15);
});
