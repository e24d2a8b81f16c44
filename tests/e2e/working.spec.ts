import type { Page } from "@playwright/test";
import { faultsOf, kept, newCase, stand, write } from "./pages";
import { expect, test } from "./server";

const card = (page: Page) => page.locator("[data-id]").first();
const own = (page: Page) => page.getByLabel("My own working, a line at a time");
const judged = (page: Page) =>
  page.getByRole("list", { name: "What is to be said of each line" }).getByRole("listitem");

test("the working of a finding: in full, short, and one step at a time", async ({ page, server }) => {
  await stand(page, server);
  const first = card(page);
  await first.getByText("working", { exact: true }).click();
  const steps = first.getByRole("list", { name: "Steps" }).getByRole("listitem");
  await expect(steps.first()).toContainText("They meet where both have the same value.");
  await expect(steps.filter({ hasText: "Set aside: outside the range" })).toHaveCount(1);
  const full = await steps.count();
  expect(await faultsOf(page)).toEqual([]);
  await first.getByRole("button", { name: "short" }).click();
  expect(await steps.count()).toBeLessThan(full);
  await first.getByRole("button", { name: "one step at a time" }).click();
  await expect(steps).toHaveCount(1);
  for (let i = 1; i < full; i++) await first.getByRole("button", { name: "next step" }).press("Enter");
  await expect(steps).toHaveCount(full);
  await expect(first.getByText("that was all")).toBeVisible();
});

test("a wrong line is found, mended, and the rest follows; the lines are kept, and undone", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await write(page, ["x = 0 ... 100", "R = 14 x", "C = 180 + 2.5 x", "R = C ?"]);
  const first = card(page);
  await first.getByText("working", { exact: true }).click();
  await first.getByRole("button", { name: "write my own working" }).click();
  await own(page).fill("14x = 180 + 2.5x\n16.5x = 180\nx = 10.91");
  await expect(judged(page).nth(0)).toContainText("follows");
  await expect(judged(page).nth(1)).toContainText("does not follow");
  await expect(judged(page).nth(1)).toContainText("There the left side of this line is 258.26087, the right 180.");
  await expect(judged(page).nth(1)).toContainText("A sign: look at 2.5 x.");
  expect(await faultsOf(page)).toEqual([]);
  // The line is mended by key, and the one below it.
  await own(page).press("Control+Home");
  await own(page).press("ArrowDown");
  await own(page).press("Home");
  await own(page).press("Shift+End");
  await page.keyboard.type("11.5x = 180");
  await expect(judged(page).nth(1)).not.toContainText("does not follow");
  await expect(judged(page).nth(2)).toContainText("does not follow");
  await own(page).press("Control+End");
  await own(page).press("Shift+Home");
  await page.keyboard.type("x ≈ 15.65");
  await expect(judged(page)).toHaveText([/follows/, /follows/, /follows.*rounded/]);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(own(page)).not.toHaveValue(/15\.65$/);
  await page.getByRole("button", { name: /^Redo|^Do again/ }).click();
  await expect(own(page)).toHaveValue(/15\.65$/);
  await expect(kept(page)).toBeVisible();
  await page.reload();
  await first.getByText("working", { exact: true }).click();
  await expect(own(page)).toHaveValue("14x = 180 + 2.5x\n11.5x = 180\nx ≈ 15.65");
  await expect(judged(page)).toHaveCount(3);
});

test("what is no equation is said to be unread, and nothing typed is lost", async ({ page, server }) => {
  await newCase(page, server);
  await write(page, ["f(x) = x^2 - 5x", "f = 0 ?"]);
  const first = card(page);
  await first.getByText("working", { exact: true }).click();
  await first.getByRole("button", { name: "write my own working" }).click();
  await own(page).fill("\\frac{x^2}{5} = x\n<script>alert(1)</script>\nq + z = 3\nx = 5");
  await expect(judged(page)).toHaveText([/follows/, /not read/, /not read/, /loses an answer.*Loses x = 0\./]);
  await expect(own(page)).toHaveValue("\\frac{x^2}{5} = x\n<script>alert(1)</script>\nq + z = 3\nx = 5");
});

test("a plan of two variables and a fitted line are worked by hand too", async ({ page, server }) => {
  await newCase(page, server);
  await page.getByRole("button", { name: "Plan", exact: true }).click();
  const line = page.getByRole("textbox", { name: "A constraint or the objective" });
  for (const text of [
    "greatest 3.5x + 4y in $",
    "paper: 2x + 3y <= 240",
    "hands: 4x + 2y <= 320",
    "x >= 0",
    "y >= 0",
  ]) {
    await line.fill(text);
    await page.keyboard.press("Enter");
    await expect(line).toHaveValue("");
  }
  await expect(page.locator(".plan .says")).toHaveText("Make x = 60 and y = 40: $370.");
  await page.locator(".plan details.working summary").click();
  const steps = page.getByRole("list", { name: "Steps" }).getByRole("listitem");
  await expect(steps.filter({ hasText: "paper meets hands." })).toHaveCount(1);
  // 3.5 · 60 + 4 · 40 = 370; 3.5 = 2a + 4b and 4 = 3a + 2b: one more of paper is worth 1.125
  await expect(steps.filter({ hasText: "One more of paper" })).toContainText("1.13");
  expect(await faultsOf(page)).toEqual([]);
  await stand(page, server, "Lantern demand at five prices");
  await page.getByRole("button", { name: /^Data/ }).click();
  await page.locator('[data-model="linear direct"]').click();
  await page.getByText("working", { exact: true }).click();
  // Σp = 40, Σy = 774, Σp² = 360, Σpy = 5056: b = (25280 − 30960)/(1800 − 1600) = −28.4
  await expect(steps.filter({ hasText: "The slope with the least squares." })).toContainText("28.4");
});
