import { readFileSync } from "node:fs";
import { choose, faultsOf, kept, planOf, says, stand } from "./pages";
import { expect, test } from "./server";

test("an earlier state is seen beside the present one, named, drawn beside it and brought back", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("$205");
  await page.keyboard.press("Enter");
  await expect(kept(page)).toBeVisible();
  await expect(says(page).first()).toHaveText("19 lanterns is the first whole number that pays.");

  await page.getByRole("button", { name: "Versions" }).click();
  const dialog = page.getByRole("dialog", { name: "Versions" });
  const states = dialog.getByRole("listbox", { name: "Kept states, newest first" });
  await expect(states).toBeFocused();
  await expect(dialog.getByRole("row", { name: /permit and workbench/ })).toContainText("$180$205");
  await expect(dialog.getByRole("table", { name: "Findings" })).toContainText(
    "17 lanterns is the first whole number that pays.19 lanterns is the first whole number that pays.",
  );
  await dialog.getByRole("textbox", { name: "Name of the state" }).fill("before the dear permit");
  await page.keyboard.press("Enter");
  await expect(states.getByRole("option")).toContainText("before the dear permit");
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);

  await dialog.getByRole("button", { name: "Its curves beside these" }).click();
  await expect(page.locator(".findings .card").first()).toContainText(
    "before the dear permit: 17 lanterns is the first whole number that pays.",
  );
  await page.getByRole("button", { name: "End comparing" }).click();

  await page.getByRole("button", { name: "Versions" }).click();
  await dialog.getByRole("button", { name: "Bring it back" }).click();
  await expect(says(page).first()).toHaveText("17 lanterns is the first whole number that pays.");
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(says(page).first()).toHaveText("19 lanterns is the first whole number that pays.");
});

test("a graph for a document: its size, its words and its ink are what was chosen", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: "For a document" }).click();
  const dialog = page.getByRole("dialog", { name: "Graph for a document" });
  await expect(dialog.getByLabel("title")).toBeFocused();
  await dialog.getByLabel("title").fill("What a night brings");
  await dialog.getByLabel("axis of values, pane 1").fill("dollars a night");
  await dialog.getByRole("spinbutton", { name: "width in cm" }).fill("12");
  await dialog.getByRole("spinbutton", { name: "height in cm" }).fill("10");
  await page.keyboard.press("Tab");
  await dialog.getByRole("radio", { name: "greys and dashes" }).check();
  await dialog.getByRole("checkbox", { name: /^greatest/ }).uncheck();
  await dialog.getByRole("radio", { name: /^SVG/ }).check();
  await expect(dialog.getByText("12 × 10 cm, and the title")).toBeVisible();
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  const saved = async () => {
    const coming = page.waitForEvent("download");
    await dialog.getByRole("button", { name: "Save" }).click();
    return readFileSync((await (await coming).path())!);
  };
  const svg = (await saved()).toString("utf8");
  expect(svg).toContain('width="12');
  for (const said of ["What a night brings", "dollars a night", "break-even 16.435"]) expect(svg).toContain(said);
  expect(svg).not.toContain("greatest");
  // No colour is left in it.
  for (const [, r, g, b] of svg.matchAll(/#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})\b/g))
    if (r !== "1d") expect([r, g]).toEqual([g, b]);

  await page.getByRole("button", { name: "For a document" }).click();
  await dialog.getByRole("radio", { name: /^PNG/ }).check();
  const png = await saved();
  // 12 cm at 300 pixels an inch are 1,417 pixels; the picture says so itself: 11,811 a metre.
  expect(Math.abs(png.readUInt32BE(16) - 1417)).toBeLessThanOrEqual(3);
  expect([png.toString("latin1", 37, 41), png.readUInt32BE(41)]).toEqual(["pHYs", 11811]);
});

test("pointing at a corner of a plan lights what it rests on", async ({ page, server }) => {
  await planOf(page, server);
  const corner = page.getByRole("table", { name: "Corners" }).getByRole("row").filter({ hasText: "$325" });
  await corner.focus();
  await expect(page.getByText("From the story: 320 minutes, at least 20 sky lanterns")).toBeVisible();
  await expect(page.locator("li.row.dim")).toHaveCount(2);
  await page.keyboard.press("Tab");
  await expect(page.getByText("From the story: 320 minutes, at least 20 sky lanterns")).toBeHidden();
});

test("splitting stands among the models where their misses keep their sign", async ({ page, server }) => {
  const noise = [6, -4, 3, -6, 2];
  const rows = Array.from({ length: 16 }, (_, v) => [v, (v < 7 ? 900 - 80 * v : 380 + 200 * (v - 7)) + noise[v % 5]!]);
  const data = [{ name: "d", columns: [{ name: "t" }, { name: "y" }], rows }];
  const id = await server.make({ format: "pasear-case", version: 1, title: "Bent", data });
  await page.goto(`${server.url}/case/${id}/data`);
  const card = page.getByRole("region", { name: "Split into pieces" });
  await expect(card).toContainText("two straight lines, split at t = 6.5");
  await card.getByRole("button", { name: "Split at 6.5" }).click();
  await choose(page, "Model of the left side", "linear");
  await page.getByLabel("Place of the break").fill("13.5");
  await page.keyboard.press("Enter");
  await choose(page, "Model of the right side", "linear");
  await expect(page.getByText("2 rows and 2 constants: it goes through them, whatever they are")).toBeVisible();
});
