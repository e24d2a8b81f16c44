import type { Browser, Page } from "@playwright/test";

const VIEWPORT = { width: 1280, height: 800 };
/** What the browser remembers of somebody who has been here before: the steps of a first visit are not offered. */
const BEEN_HERE = ["pasear:first-steps-left", "true"] as const;

/** Whoever comes for the first time is offered steps; the tests know their way. */
export const beenHere = (page: Page): Promise<unknown> =>
  page.addInitScript(([key, value]) => {
    if (location.protocol.startsWith("http")) localStorage.setItem(key, value);
  }, BEEN_HERE);

/**
 * A tab that tests use one after the other, as a person does who goes from case to case: to open a browser's tab with
 * the whole page in it takes as much of a processor as most tests.
 */
export async function sharedTab(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: VIEWPORT, serviceWorkers: "block" });
  const page = await context.newPage();
  await beenHere(page);
  return page;
}

/** Leaves nothing to the next test of what the last one chose, allowed, opened beside it, or let the browser keep. */
export async function tidied(page: Page): Promise<void> {
  const context = page.context();
  for (const other of context.pages()) if (other !== page) await other.close();
  await context.clearPermissions();
  await page.unrouteAll();
  await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null });
  await page.setViewportSize(VIEWPORT);
  await page.mouse.move(0, 0);
  if (!page.url().startsWith("http")) return;
  await page.evaluate(([key, value]) => {
    localStorage.clear();
    localStorage.setItem(key, value);
    // The page hears of it as of a change in another tab.
    dispatchEvent(new StorageEvent("storage", { key: null, storageArea: localStorage }));
    dispatchEvent(new StorageEvent("storage", { key, newValue: value, storageArea: localStorage }));
  }, BEEN_HERE);
}

interface Routed {
  useNuxtApp(): { $router: { push(path: string): Promise<unknown> } };
}
/** Goes to an address: within the page where the tab is there already, as a link does; else by loading it. */
export async function go(page: Page, address: string): Promise<void> {
  const { origin, pathname } = new URL(address);
  if (!page.url().startsWith(`${origin}/`)) {
    await page.goto(address);
    return;
  }
  await page.evaluate(async (path) => {
    const caseOf = (whole: string) => whole.split("/").slice(0, 3).join("/");
    if (caseOf(path) !== caseOf(location.pathname))
      for (const shown of document.querySelectorAll("#__nuxt > *")) shown.setAttribute("data-left", "");
    await (window as unknown as Routed).useNuxtApp().$router.push(path);
  }, pathname);
  // The page before stands until the next is there.
  await page.locator("[data-left]").waitFor({ state: "detached" });
}
