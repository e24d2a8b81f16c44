import { faultsOf, newCase, planOf } from "./pages";
import { expect, test } from "./server";

test("the sketched plan is typed from empty in eight actions: region, corners, best, what one more is worth", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  let actions = 0;
  const act = async (what: () => Promise<void>) => {
    actions++;
    await what();
  };
  const line = page.getByRole("textbox", { name: "A constraint or the objective" });
  const write = (text: string) =>
    act(async () => {
      await line.fill(text);
      await page.keyboard.press("Enter");
      await expect(line).toHaveValue("");
    });
  await act(() => page.getByRole("button", { name: "Plan", exact: true }).click());
  for (const l of [
    "greatest 3.5x + 4y in $",
    "paper: 2x + 3y <= 240",
    "hands: 4x + 2y <= 320",
    "orders: y >= 20",
    "x >= 0",
  ])
    await write(l);
  for (const box of await page.getByRole("checkbox", { name: "whole" }).all()) await act(() => box.check());
  await expect(page.locator(".plan .says")).toHaveText("Make x = 60 and y = 40: $370.");
  await expect(page.getByText("Nothing is left of paper and hands.")).toBeVisible();
  await expect(page.getByRole("row", { name: /paper, hands 60 40 \$370/ })).toBeVisible();
  // 3.5 = 2a + 4b and 4 = 3a + 2b: a = 1.125, b = 0.3125
  await expect(page.getByRole("row", { name: "paper $1.13 200 … 480" })).toBeVisible();
  await expect(page.getByRole("row", { name: "hands $0.3125 160 … 400" })).toBeVisible();
  await expect(page.getByRole("row", { name: "orders $0 up to 40" })).toBeVisible();
  console.log(`the sketched plan: ${actions} actions (at most 8)`);
  expect(actions).toBeLessThanOrEqual(8);
  await page.mouse.move(0, 0);
  expect(await faultsOf(page)).toEqual([]);
});

test("wrong constraints are refused with their reason, constraints are switched off, and undone", async ({
  page,
  server,
}) => {
  await planOf(page, server);
  const line = page.getByRole("textbox", { name: "A constraint or the objective" });
  await line.fill("x y <= 30");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("multiplies variables with each other");
  await line.fill("x + y >= 200");
  await page.keyboard.press("Enter");
  await expect(page.locator(".plan .says")).toHaveText("No point keeps all constraints.");
  await expect(page.getByText(/cannot hold together; without any one of them the others can/)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator(".plan .says")).toHaveText("Make 60 river lanterns and 40 sky lanterns: $370.");
  await page.getByRole("button", { name: "Constraint B in force" }).click();
  await expect(page.locator(".plan .says")).toHaveText("Make 90 river lanterns and 20 sky lanterns: $395.");
});

test("the objective slides by key and snaps to corners, and shading turns round", async ({ page, server }) => {
  await planOf(page, server);
  const region = page.getByRole("application", { name: /^Region of x, river lanterns and y, sky lanterns: 4 corners/ });
  await region.focus();
  await page.keyboard.press("Shift+ArrowDown");
  await expect(page.getByText("objective at $325")).toBeVisible();
  await page.keyboard.press("Home");
  await expect(page.getByText("objective at")).toBeHidden();
  await page.getByRole("button", { name: "Shade what is ruled out" }).click();
  // The ground that is ruled out is drawn in the colour of limits.
  await expect(page.locator('.region svg path[fill="#b5432c"]').first()).toBeAttached();
});

test.describe(() => {
  test.use({ tab: "own" });
  test("a given of the case is varied beside the plan, and its answer follows", async ({ page, server }) => {
    await planOf(page, server, "Five kinds of lantern");
    const answer = page.locator(".plan .says");
    await expect(answer).toContainText("$1,094.55");
    // Keys that come quickly are one step of undo; on a slow machine they would be as quick by the page's clock alone.
    await page.clock.setFixedTime(new Date());
    // One more sheet is worth 0.727272…: eleven steps of 5 sheets bring 40.
    await page.getByRole("slider", { name: "Vary P" }).focus();
    for (let i = 0; i < 11; i++) await page.keyboard.press("ArrowRight");
    await expect(page.getByText("655 sheets")).toBeVisible();
    await expect(answer).toContainText("$1,134.55");
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(answer).toContainText("$1,094.55");
    expect(await faultsOf(page)).toEqual([]);
  });
});

test("the plan view in the dark and at 400 pixels", async ({ page, server }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await planOf(page, server);
  expect(await faultsOf(page)).toEqual([]);
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
});
