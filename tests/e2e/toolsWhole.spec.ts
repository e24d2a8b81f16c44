import { entry, faultsOf, newCase, stand } from "./pages";
import { expect, test } from "./server";
import { row } from "./toolPages";

test("the trail is a list too, and its entries lead there", async ({ page, server }) => {
  await stand(page, server);
  await page.keyboard.press("g");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("t");
  const dialog = page.getByRole("dialog", { name: "Trail" });
  await expect(dialog).toContainText("given F, permit and workbench = $180");
  await expect(dialog).toContainText("In the story: “$180”");
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await dialog.getByRole("button", { name: /^function C, cost/ }).click();
  await expect(row(page, "C")).toBeFocused();
});

test("the trail of a fitted function leads to its table", async ({ page, server }) => {
  await stand(page, server, "Lantern demand at five prices");
  await row(page, "K").focus();
  await page.keyboard.press("t");
  const dialog = page.getByRole("dialog", { name: "Trail" });
  await dialog.getByRole("button", { name: /^data mill, \d+ rows: quadratic model of cost over q$/ }).click();
  await expect(page).toHaveURL(/\/data$/);
  await expect(page.getByRole("button", { name: /^Name of the data/ })).toContainText("mill");
});

test("every dialog of the desk is free of accessibility faults, in the dark too", async ({ page, server }) => {
  await page.emulateMedia({ colorScheme: "dark", reducedMotion: "reduce" });
  await stand(page, server);
  for (const [button, name] of [
    ["For a document", "Graph for a document"],
    ["Forms", "Forms"],
    ["Pieces", "A function by pieces"],
    ["Compare", "Compare with"],
    ["Help", "Help"],
  ] as const) {
    await page.getByRole("button", { name: button, exact: true }).click();
    await expect(page.getByRole("dialog", { name })).toBeVisible();
    expect(await faultsOf(page, ".p-dialog"), name).toEqual([]);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog", { name })).toBeHidden();
  }
});

test("at 400 pixels nothing runs off the page, and the graph stays in sight while a given is varied", async ({
  page,
  server,
}) => {
  await page.setViewportSize({ width: 400, height: 800 });
  await page.goto(server.url);
  await expect(page.getByRole("link", { name: "Open Lantern stall" }).first()).toBeVisible();
  const over = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(await over()).toBeLessThanOrEqual(0);
  await stand(page, server);
  expect(await over()).toBeLessThanOrEqual(0);
  await page.getByRole("slider", { name: "Vary F" }).scrollIntoViewIfNeeded();
  await page.getByRole("slider", { name: "Vary F" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.locator(".canvas svg path").first()).toBeInViewport();
  await page.keyboard.press("Escape");
  expect(await faultsOf(page)).toEqual([]);
});

test("after every dialog the focus is where it came from, and in a new case on the entry line", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await expect(entry(page)).toBeFocused();
  await page.keyboard.type("f(x) = 3x + 2");
  await page.keyboard.press("Enter");
  await expect(row(page, "f")).toBeVisible();
  for (const name of ["For a document", "Forms", "Pieces"]) {
    const button = page.getByRole("button", { name, exact: true });
    await button.focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("dialog")).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toBeHidden();
    await expect(button, `after ${name}`).toBeFocused();
  }
  await page.keyboard.press("3");
  const files = page.getByRole("button", { name: "Files" });
  await files.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(files).toBeFocused();
});
