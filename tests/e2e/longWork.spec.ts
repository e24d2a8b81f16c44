import type { Page } from "@playwright/test";
import { manySteps } from "../shared/manySteps";
import { entry, faultsOf, says } from "./pages";
import { expect, test, type TestServer } from "./server";

async function longCase(page: Page, server: TestServer, count: number): Promise<void> {
  const id = await server.make(manySteps(count));
  await page.goto(`${server.url}/case/${id}`);
}

test("work that takes long says how far it is, can be stopped, and begins again with the next change", async ({
  page,
  server,
}) => {
  await longCase(page, server, 36);
  const stop = page.getByRole("button", { name: "Stop" });
  await expect(page.getByText(/Working out question \d+ of 37 …/)).toBeVisible();
  // What is answered already stands there; what waits says what it asks.
  await expect(says(page).first()).toHaveText("g(1) is −4.");
  const last = page.locator(".findings .card").last();
  await expect(last).toContainText("Where do h and g meet, for x = −5 … 5?");
  await expect(last).toContainText("Not worked out yet.");
  await expect(page.getByRole("application", { name: /^Graph of/ })).toBeVisible();
  await stop.press("Enter");
  await expect(page.getByText("Stopped.")).toBeVisible();
  expect(await faultsOf(page, ".findings")).toEqual([]);
  // The desk goes on: what is written is kept, and the work begins again with it.
  await entry(page).fill("k(x) = x^2");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-name="k"]')).toBeVisible();
  await expect(page.getByText("Stopped.")).toBeHidden();
  await stop.click();
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(stop).toBeVisible();
});

test("a question that is cut short is looked at longer when somebody wants it", async ({ page, server }) => {
  await longCase(page, server, 1);
  await expect(page.getByText("g(1) is −4.")).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("cut short")).toBeVisible();
  await page.getByRole("button", { name: "look longer" }).press("Enter");
  await expect(page.getByText("cut short")).toBeHidden({ timeout: 50_000 });
  await expect(page.getByText(/^As far as is settled, h and g meet on \d+ stretches/)).toBeVisible();
});
