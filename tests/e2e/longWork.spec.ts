import type { Page } from "@playwright/test";
import { entry, faultsOf } from "./pages";
import { expect, test, type TestServer } from "./server";

const formula = (name: string, text: string) => ({ name, of: "x", by: { kind: "formula", text } });

/** A case with one question that is answered at once, and so many of about half a second each, all of which are cut. */
async function longCase(page: Page, server: TestServer, count: number): Promise<void> {
  const questions = Array.from({ length: count }, (_, i) => ({ id: `q${i + 1}`, ask: "meet", functions: ["h", "g"] }));
  const made = await fetch(`${server.url}/api/cases`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({
      case: {
        format: "pasear-case",
        version: 1,
        title: "Many steps",
        variables: [{ name: "x", from: -5, to: 5 }],
        functions: [formula("g", "ceil(-2 - 2x)"), formula("h", "floor(tan(x^3))")],
        questions: [{ id: "q0", ask: "value", function: "g", at: 1 }, ...questions],
      },
    }),
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/case/${id}`);
}

test("work that takes long says how far it is, can be stopped, and begins again with the next change", async ({
  page,
  server,
}) => {
  await longCase(page, server, 60);
  const stop = page.getByRole("button", { name: "Stop" });
  await expect(page.getByText(/Working out question \d+ of 61 …/)).toBeVisible();
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
  await expect(page.getByText(/^h and g meet on \d+ stretches/)).toBeVisible();
});
