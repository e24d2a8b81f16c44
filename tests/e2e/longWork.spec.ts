import { entry, faultsOf } from "./pages";
import { expect, test } from "./server";

const formula = (name: string, text: string) => ({ name, of: "x", by: { kind: "formula", text } });
/** Questions of about a second each, all of which are cut, and one that is not. */
const LONG = {
  format: "pasear-case",
  version: 1,
  title: "Many steps",
  variables: [{ name: "x", from: -5, to: 5 }],
  functions: [formula("g", "ceil(-2 - 2x)"), formula("h", "floor(tan(x^3))")],
  questions: [
    { id: "q0", ask: "value", function: "g", at: 1 },
    ...[1, 2, 3, 4].map((n) => ({ id: `q${n}`, ask: "meet", functions: ["h", "g"] })),
  ],
};

test("work that takes long says how far it is, can be stopped, is taken up again, and a cut question looked at longer", async ({
  page,
  server,
}) => {
  const made = await fetch(`${server.url}/api/cases`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ case: LONG }),
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/case/${id}`);
  const stop = page.getByRole("button", { name: "Stop" });
  await expect(page.getByText(/Working out question \d of \d …/)).toBeVisible();
  expect(await faultsOf(page, ".findings")).toEqual([]);
  await stop.press("Enter");
  await expect(page.getByText("Stopped.")).toBeVisible();
  // The desk goes on: what is written is kept, and the work begins again with it.
  await entry(page).fill("k(x) = x^2");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-name="k"]')).toBeVisible();
  await expect(page.getByText("Stopped.")).toBeHidden();
  await expect(stop).toBeVisible();
  await stop.click();
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByRole("button", { name: "look longer" }).first()).toBeVisible({ timeout: 30_000 });
  const cut = await page.getByText("cut short").count();
  await page.getByRole("button", { name: "look longer" }).first().press("Enter");
  await expect.poll(() => page.getByText("cut short").count(), { timeout: 60_000 }).toBe(cut - 1);
});
