import type { Page } from "@playwright/test";
import { faultsOf, stand } from "./pages";
import { expect, test } from "./server";

const graph = (page: Page) => page.getByRole("application", { name: /^Graph of/ });
const width = async (page: Page): Promise<number> => (await graph(page).boundingBox())!.width;
const table = (page: Page) => page.getByRole("region", { name: "Table of values" });
const border = (page: Page, name: string) => page.getByRole("separator", { name }).first();

test("borders are moved by hand and by key, and are where they were after a reload", async ({ page, server }) => {
  await stand(page, server);
  const first = await width(page);
  const box = (await border(page, "Width of the story").boundingBox())!;
  await page.mouse.move(box.x, box.y + 100);
  await page.mouse.down();
  await page.mouse.move(box.x - 100, box.y + 100, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => width(page)).toBeGreaterThan(first + 80);
  const high = async () => (await graph(page).boundingBox())!.height;
  const before = await high();
  await border(page, "Height of the graph").focus();
  await page.keyboard.down("ArrowDown");
  await expect.poll(high).toBeGreaterThan(before + 20);
  await page.keyboard.up("ArrowDown");
  const [w, h] = [await width(page), await high()];
  await page.reload();
  await expect(graph(page)).toBeVisible();
  expect(Math.abs((await width(page)) - w)).toBeLessThan(3);
  expect(Math.abs((await high()) - h)).toBeLessThan(3);
  // Nothing but the lists scrolls: the entry line is still in sight.
  expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBeLessThanOrEqual(0);
  // What another version remembered, or somebody wrote there, is not taken.
  await page.evaluate(() => localStorage.setItem("pasear:borders", '{"rows":[0,"x"]}'));
  await page.reload();
  await expect(graph(page)).toBeVisible();
  expect(Math.abs((await width(page)) - first)).toBeLessThan(3);
});

test("the graph is large by a key and back, and the table stands beside it", async ({ page, server }) => {
  await stand(page, server);
  const high = async () => (await graph(page).boundingBox())!.height;
  const before = await high();
  await page.keyboard.press("l");
  await expect.poll(high).toBeGreaterThan(before + 250);
  await expect(page.getByRole("heading", { name: /^Givens/ })).toBeHidden();
  await page.getByRole("button", { name: "Table", exact: true }).click();
  await expect(table(page).getByRole("row")).toHaveCount(18);
  // Neither covers the other.
  const [left, right] = [(await graph(page).boundingBox())!, (await table(page).boundingBox())!];
  expect(left.x + left.width).toBeLessThanOrEqual(right.x + 1);
  expect(await faultsOf(page)).toEqual([]);
  await page.keyboard.press("l");
  await expect(page.getByRole("heading", { name: /^Givens/ })).toBeVisible();
  await expect.poll(high).toBeLessThan(before + 30);
});

test("rows in between are opened where a sign changes, and columns can be left out", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: "Table", exact: true }).click();
  // P is −$180 at 0 and 200/3 ≥ 0 at 20: it changes between, at 16.435.
  const first = table(page).getByRole("row").nth(1);
  await first.getByRole("button", { name: "sign changes below: open" }).click();
  await expect(table(page).getByRole("row")).toHaveCount(27);
  const at16 = table(page)
    .getByRole("row")
    .filter({ has: page.locator("b", { hasText: /^16$/ }) });
  await at16.getByRole("button", { name: "sign changes below: open" }).click();
  // Of lanterns only 17 lies between 16 and 18.
  await expect(table(page).getByRole("row")).toHaveCount(28);
  await expect(at16).toContainText("sign changes below");
  await expect(at16.getByRole("button")).toHaveCount(0);
  await table(page).getByRole("button", { name: "Without them" }).click();
  await expect(table(page).getByRole("row")).toHaveCount(18);
  await table(page).getByRole("button", { name: "Columns" }).click();
  await page.getByRole("checkbox", { name: /^R/ }).click();
  await expect(table(page).getByRole("columnheader")).toHaveCount(4);
  // Esc leaves the list of columns first, and then the table.
  await page.keyboard.press("Escape");
  await expect(table(page)).toBeVisible();
  await table(page).getByRole("button", { name: "own inputs" }).click();
  await table(page).getByRole("textbox", { name: "Own inputs" }).fill("7/3; M");
  await page.keyboard.press("Escape");
  await expect(table(page)).toBeHidden();
  // What was written is there again.
  await page.getByRole("button", { name: "Table", exact: true }).click();
  await expect(table(page).getByRole("textbox", { name: "Own inputs" })).toHaveValue("7/3; M");
  await expect(table(page)).toBeFocused();
});

test("a function is dragged by its handle, and one undo puts it back", async ({ page, server }) => {
  await stand(page, server);
  const rows = page.locator("li[data-name]");
  const names = () => rows.evaluateAll((list) => list.map((row) => row.getAttribute("data-name")));
  expect(await names()).toEqual(["p", "R", "C", "P"]);
  await rows.first().hover();
  const handle = (await rows.first().locator(".handle").boundingBox())!;
  const third = (await rows.nth(2).boundingBox())!;
  const below = third.y + third.height - 4;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  // What drags comes with the pointer's first move; somebody who is quicker than it drags again.
  await expect(async () => {
    await page.mouse.down();
    await page.mouse.move(handle.x + 5, handle.y + 30, { steps: 5 });
    await page.mouse.move(third.x + 20, below, { steps: 15 });
    await page.mouse.up();
    await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
    expect(await names()).toEqual(["R", "C", "p", "P"]);
  }).toPass();
  await page.getByRole("button", { name: /^Undo/ }).first().click();
  await expect.poll(names).toEqual(["p", "R", "C", "P"]);
});
