import { readFileSync } from "node:fs";
import { unzipSync, strFromU8 } from "fflate";
import { faultsOf } from "./pages";
import { expect, test } from "./server";

test.use({ tab: "own" });

test("cases are found by what they say, sorted, tagged, and several are saved, deleted and put back", async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  const cards = page.getByRole("list", { name: "Cases" }).getByRole("listitem");
  await expect(cards.first()).toContainText("Lantern stall");
  // Cards come a few each frame: those drawn when the first stands need not be all.
  const all = (await server.cases()).length;
  const find = page.getByRole("searchbox", { name: /^Find cases/ });
  // A word of the story, and one of a finding that the card does not show.
  await find.fill("footbridge rail");
  await expect(cards).toHaveCount(1);
  await expect(cards).toContainText("The walk's fund");
  await expect(cards).toContainText(/A is \$6,500 at 11\.8 years/);
  await find.fill("");
  await expect(cards).toHaveCount(all);

  await page.getByRole("button", { name: "Order of the cases: touched last" }).click();
  await page.getByRole("menuitem", { name: "by title" }).click();
  await expect(cards.first()).toContainText("A ball over the river");

  await page.getByRole("button", { name: "Choose several" }).click();
  await page.getByRole("checkbox", { name: "Choose A ball over the river" }).check();
  await page.getByRole("checkbox", { name: "Choose Lantern stall" }).check();
  const bar = page.getByRole("group", { name: "Chosen cases" });
  await expect(bar).toContainText("2 chosen");
  await bar.getByRole("textbox", { name: "Tag for the chosen cases" }).fill("week 3");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Tag: all tags" }).click();
  await page.getByRole("menuitem", { name: "week 3 (2)" }).click();
  await expect(cards).toHaveCount(2);
  expect(await faultsOf(page)).toEqual([]);

  const [download] = await Promise.all([
    page.waitForEvent("download"),
    bar.getByRole("button", { name: "Save in one file" }).click(),
  ]);
  const path = (await download.path())!;
  const files = unzipSync(new Uint8Array(readFileSync(path)));
  expect(Object.keys(files).sort()).toEqual(["a-ball-over-the-river.pasear.json", "lantern-stall.pasear.json"]);
  const stall = JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as unknown;
  expect(JSON.parse(strFromU8(files["lantern-stall.pasear.json"]!))).toEqual(stall);

  await bar.getByRole("button", { name: "Delete" }).click();
  await expect(page.getByText("2 cases are deleted.")).toBeVisible();
  await page.getByRole("button", { name: "Deleted cases" }).click();
  await expect(cards).toHaveCount(2);
  await expect(cards.first()).toContainText("kept 30 more days");
  // They have an address: it is reloaded, and back and forth lead where one was.
  await expect(page).toHaveURL(`${server.url}/?deleted`);
  await page.reload();
  await expect(page.getByRole("heading", { name: "Deleted cases" })).toBeVisible();
  await expect(cards).toHaveCount(2);
  await page.goBack();
  await expect(page.getByRole("heading", { name: "Cases", exact: true })).toBeVisible();
  await page.goForward();
  await expect(cards).toHaveCount(2);
  await cards.filter({ hasText: "Lantern stall" }).getByRole("button", { name: "Put it back" }).click();
  await expect(cards).toHaveCount(1);

  // What nothing brings back is asked for twice; Escape keeps it.
  const ask = page.getByRole("alertdialog", { name: "Delete for good" });
  await cards.getByRole("button", { name: "Delete for good" }).click();
  await expect(ask).toContainText("A ball over the river");
  await expect(ask.getByRole("button", { name: "Keep" })).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(ask).toBeHidden();
  await expect(cards).toHaveCount(1);
  await cards.getByRole("button", { name: "Delete for good" }).click();
  await ask.getByRole("button", { name: "Delete for good" }).click();
  await expect(page.getByText("No case is deleted.")).toBeVisible();
  await page.getByRole("button", { name: "Back to the shelf" }).click();

  // The file brings both back as new cases, and tells what in it is none.
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "From a file" }).click();
  await (await chooser).setFiles({ name: "cases.zip", mimeType: "application/zip", buffer: readFileSync(path) });
  await expect(page.getByText("2 cases were put on the shelf.")).toBeVisible();
  const titles = (await server.cases()).map((c) => c.title);
  expect(titles.filter((t) => t === "Lantern stall")).toHaveLength(2);
  expect(titles.filter((t) => t === "A ball over the river")).toHaveLength(1);
});

test("another version is one press, and the two name each other", async ({ page, server }) => {
  await page.goto(server.url);
  await page
    .getByRole("listitem")
    .filter({ hasText: "Lantern stall" })
    .getByRole("button", { name: "Another version" })
    .click();
  await expect(page.getByRole("button", { name: "Title of the case" })).toHaveText("Lantern stall, version 2");
  await page.getByRole("button", { name: "Versions" }).click();
  const dialog = page.getByRole("dialog", { name: "Versions" });
  await dialog.getByRole("link", { name: "Lantern stall", exact: true }).click();
  await expect(page.getByRole("button", { name: "Title of the case" })).toHaveText("Lantern stall");
});
