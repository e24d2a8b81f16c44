import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { kept, newCase, says, stand } from "../e2e/pages";
import { expect, test } from "../e2e/server";
import { manySteps } from "../shared/manySteps";

/** The pictures of the README, each of one view with the demo cases: `npm run pictures`. */
async function take(page: Page, name: string): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  // What was just opened has come to rest, and the editor is there.
  await page.waitForLoadState("networkidle");
  await page.waitForTimeout(3000);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}
const DEMO_STORY = (JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as { story: { text: string } })
  .story.text;
const button = (page: Page, name: string | RegExp) => page.getByRole("button", { name, exact: true });

test("shelf", async ({ page, server }) => {
  await page.goto(server.url);
  await expect(page.getByText("17 lanterns is the first whole number that pays.")).toBeVisible();
  await take(page, "shelf");
});

test("desk", async ({ page, server }) => {
  await stand(page, server);
  await take(page, "desk");
});

test("beginning", async ({ page, server }) => {
  await newCase(page, server);
  await take(page, "beginning");
});

test("read", async ({ page, server }) => {
  await newCase(page, server);
  await page.getByRole("button", { name: /^A story/ }).click();
  await page.keyboard.insertText(DEMO_STORY);
  await page.keyboard.press("Escape");
  await expect(page.getByText("as it would be, with every offer taken")).toBeVisible();
  await take(page, "read");
});

test("working", async ({ page, server }) => {
  await stand(page, server, "Two ways to light the bridge");
  const card = page.locator('.findings .card[data-id="q1"]');
  await card.getByText("working", { exact: true }).click();
  await card.getByRole("button", { name: "write my own working" }).click();
  const own = page.getByLabel("My own working, a line at a time");
  await own.fill("40 + 28n = 210 + 11n\n28n + 11n = 210 - 40\nn = 170/39");
  await expect(card.getByText("does not follow")).toBeVisible();
  await card.getByText("My own working").scrollIntoViewIfNeeded();
  await own.evaluate((area) => area.closest(".own")!.scrollIntoView({ block: "end" }));
  await take(page, "working");
});

test("help", async ({ page, server }) => {
  await stand(page, server);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help" })).toBeVisible();
  await take(page, "help");
});

test("compare", async ({ page, server }) => {
  await stand(page, server);
  await button(page, "Compare").click();
  await button(page, /These numbers as they are now/).click();
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("300");
  await page.keyboard.press("Enter");
  await expect(says(page).first()).toContainText("R and C meet at");
  await button(page, "Map").click();
  await take(page, "compare");
});

test("data", async ({ page, server }) => {
  await stand(page, server, "Followers of the walk");
  await page.keyboard.press("2");
  await expect(page.locator(".models")).toContainText("logistic");
  await take(page, "data");
});

test("split", async ({ page, server }) => {
  await stand(page, server, "Counts on the footbridge");
  await page.keyboard.press("2");
  await button(page, "Split at 6.5").click();
  await expect(page.getByRole("combobox", { name: "Model of the left side" })).toHaveText(/\w/);
  await take(page, "split");
});

test("plan", async ({ page, server }) => {
  await stand(page, server, "Two lanterns, one evening").catch(() => {});
  await expect(page.getByText("Make 60 river lanterns and 40 sky lanterns: $370.")).toBeVisible();
  await take(page, "plan");
});

test("slice", async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole("link", { name: "Open Five kinds of lantern" }).click();
  await expect(page.getByRole("application", { name: /^Region of/ })).toBeVisible();
  await take(page, "slice");
});

test("brief", async ({ page, server }) => {
  await stand(page, server);
  await button(page, "Brief").click();
  await expect(page.locator(".brief-page figure svg").first()).toBeAttached();
  await expect(page.getByText("F, permit and workbench").first()).toBeAttached();
  await take(page, "brief");
});

test("raft", async ({ page, server }) => {
  await stand(page, server, "The lantern raft");
  await take(page, "raft");
});

test("pieces", async ({ page, server }) => {
  await stand(page, server, "The lantern raft");
  await page
    .getByRole("button", { name: /pieces of v/i })
    .first()
    .click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await take(page, "pieces");
});

test("table", async ({ page, server }) => {
  await stand(page, server);
  await button(page, "Table").click();
  await expect(page.getByRole("region", { name: "Table of values" })).toBeVisible();
  await take(page, "table");
});

test("forms", async ({ page, server }) => {
  await stand(page, server);
  await button(page, "Forms").click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await take(page, "forms");
});

test("versions", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("$205");
  await page.keyboard.press("Enter");
  await expect(kept(page)).toBeVisible();
  await page.getByRole("button", { name: "Versions" }).click();
  await expect(page.getByRole("table", { name: "Findings" })).toBeVisible();
  await take(page, "versions");
});
test("document", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: "For a document" }).click();
  const dialog = page.getByRole("dialog", { name: "Graph for a document" });
  await dialog.getByRole("radio", { name: "greys and dashes" }).check();
  await expect(dialog.getByRole("img")).toBeVisible();
  // The picture is drawn again a moment after a change.
  await page.waitForTimeout(1500);
  await take(page, "document");
});
test("long", async ({ page, server }) => {
  await page.goto(`${server.url}/case/${await server.make(manySteps(40))}`);
  // A single one may come and go between two looks.
  await expect(page.getByText(/Working out question \d\d of 41 …/)).toBeVisible({ timeout: 30_000 });
  await page.screenshot({ path: "docs/screenshots/long.png" });
});
