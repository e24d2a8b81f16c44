import type { Page } from "@playwright/test";
import { readSheet } from "read-excel-file/node";
import writeWorkbook from "write-excel-file/node";
import { faultsOf, stand } from "./pages";
import { expect, test } from "./server";
import { cards, cell, dataView } from "./dataPages";

/** The rows of the table that is shown, saved as a workbook and read back. */
async function savedRows(page: Page): Promise<unknown[][]> {
  await page.getByRole("button", { name: "Save", exact: true }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("menuitem", { name: "As XLSX" }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.xlsx$/);
  return readSheet(await download.path());
}

test("files: CSV with semicolons, JSON records, a workbook that is none", async ({ page, server }) => {
  await dataView(page, server);
  await page.getByRole("button", { name: "Paste or choose a file" }).click();
  const dialog = page.getByRole("dialog", { name: "Data from elsewhere" });
  const file = dialog.getByLabel("File with a table");
  await file.setInputFiles({
    name: "sales.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("year;sales [$]\n2024;1.200,50\n2025;1.310,00\n2027;1.500,25\n"),
  });
  await expect(dialog).toContainText("3 rows under a header: t (years), sales in $ (numbers).");
  await file.setInputFiles({
    name: "sales.json",
    mimeType: "application/json",
    buffer: Buffer.from(
      JSON.stringify([
        { x: 1, y: 2 },
        { x: 2, y: null },
      ]),
    ),
  });
  await expect(dialog).toContainText("2 rows under a header: x (numbers), y (numbers). 1 empty cell.");
  const workbook = await writeWorkbook([
    [{ value: "day" }, { value: "people" }],
    ...[
      ["2031-01-06", 71],
      ["2031-01-13", 117],
      ["2031-01-20", 233],
    ].map(([d, n]) => [
      { value: new Date(`${d}T00:00:00Z`), type: Date, format: "yyyy-mm-dd" },
      { value: n as number, type: Number },
    ]),
  ]).toBuffer();
  await file.setInputFiles({
    name: "followers.xlsx",
    mimeType: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
    buffer: workbook,
  });
  await expect(dialog).toContainText("3 rows under a header: t (dates), people (numbers).");
  await file.setInputFiles({
    name: "broken.xlsx",
    mimeType: "application/octet-stream",
    buffer: Buffer.from("no workbook"),
  });
  await expect(dialog.getByRole("alert")).toContainText("could not be read as a workbook");
  await file.setInputFiles({
    name: "sales.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("year;sales [$]\n2024;1.200,50\n2025;1.310,00\n2027;1.500,25\n"),
  });
  await dialog.getByRole("button", { name: "Keep the rows" }).click();
  await expect(page.getByText(/t counts years since 2024\. Years were turned into t = 0 … 3\./)).toBeVisible();
  expect(await savedRows(page)).toEqual([
    ["t, year", "sales, $"],
    [0, 1200.5],
    [1, 1310],
    [3, 1500.25],
  ]);
});

test("100,000 rows are read apart from the page, drawn thinned, and scrolled", async ({ page, server }) => {
  test.slow();
  await dataView(page, server);
  await page.getByRole("button", { name: "Paste or choose a file" }).click();
  const rows = Array.from(
    { length: 100_000 },
    (_, i) => `${i},${(3 + 0.002 * i + Math.sin(i * 12.9898) * 5).toFixed(3)}`,
  );
  await page
    .getByLabel("File with a table")
    .setInputFiles({ name: "meter.csv", mimeType: "text/csv", buffer: Buffer.from(`t,level\n${rows.join("\n")}\n`) });
  const dialog = page.getByRole("dialog", { name: "Data from elsewhere" });
  await expect(dialog).toContainText("100,000 rows under a header", { timeout: 60_000 });
  await dialog.getByRole("button", { name: "Keep the rows" }).click();
  await expect(cards(page).first()).toContainText("linear", { timeout: 120_000 });
  expect(await page.locator('.grid [role="row"]').count()).toBeLessThan(80);
  const saved = await savedRows(page);
  expect(saved).toHaveLength(100_001);
  expect(saved.at(-1)![0]).toBe(99_999);
  await cell(page, 0, 0).click();
  await page.keyboard.press("Control+End");
  // What is typed at once, before the last rows are drawn, is not lost.
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("PageDown");
  await expect(cell(page, 12, 0)).toBeFocused();
  await page.keyboard.press("Control+End");
  await expect(cell(page, 100_000, 1)).toBeFocused();
  await expect(cell(page, 99_999, 0)).toHaveText("99,999");
  await page.keyboard.type("7");
  await page.keyboard.press("Enter");
  await expect(cell(page, 100_000, 1)).toHaveText("7");
});

test("the data view in the dark and at 400 pixels", async ({ page, server }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await stand(page, server, "Followers of the walk");
  await page.keyboard.press("2");
  await expect(cards(page).first()).toContainText("logistic");
  expect(await faultsOf(page)).toEqual([]);
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
});
