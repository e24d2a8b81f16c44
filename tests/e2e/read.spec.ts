import type { Page } from "@playwright/test";
import { entry, faultsOf, kept, newCase, says } from "./pages";
import { paste } from "./dataPages";
import { expect, test } from "./server";

const KITES =
  "A kite club pays $240 for a workshop and $4 for the cloth and string of each kite. It sells its kites for $10 " +
  "each. How many kites must it sell to break even, and what is its profit on 100 kites?";
const offers = (page: Page) => page.locator("[data-offer]");
const bar = (page: Page) => page.getByRole("region", { name: "What the story offers" });

test("an empty case, a pasted story, accept all, the finding: three actions", async ({ page, server }) => {
  let actions = 0;
  await newCase(page, server);
  actions++;
  await paste(page, KITES);
  actions++;
  await expect(bar(page)).toContainText("Read: 9 offers.");
  await expect(page.getByText("as it would be, with every offer taken")).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole("button", { name: "Accept all" }).click();
  actions++;
  // 240 / (10 − 4) = 40; 6 · 100 − 240 = 360
  await expect(says(page)).toHaveText([/exactly 40 kites/, "P(100) is $360."]);
  console.log(`from an empty case to the finding: ${actions} actions (at most 3)`);
  expect(actions).toBeLessThanOrEqual(3);
  await expect(bar(page)).toBeHidden();
  await expect(entry(page)).toBeVisible();
  await expect(page.locator(".text .story-mark.given")).toHaveCount(3);
  await expect(kept(page)).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(bar(page)).toContainText("Read: 9 offers.");
});

test("offers are gone through by key: taken with what they need, left for good, changed on the entry line", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await paste(page, KITES);
  await page.getByRole("button", { name: "one by one" }).click();
  await expect(offers(page).first()).toBeFocused();
  await expect(page.locator(".text .story-mark:not(.dim)")).toHaveText(["$240"]);
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-given="F"]')).toContainText("$240");
  await expect(offers(page).first()).toBeFocused();
  await page.keyboard.press("c");
  await expect(entry(page)).toBeFocused();
  await page.keyboard.press("End");
  await page.keyboard.press("Control+a");
  await page.keyboard.type("k = 4.50 $/kite");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-given="k"]')).toContainText("$4.50/kite");
  // The profit brings its revenue, cost, price and variable along.
  await page.getByRole("button", { name: "Take P", exact: true }).click();
  await expect(page.locator('[data-name="P"], [data-name="R"], [data-name="C"]')).toHaveCount(3);
  await expect(offers(page)).toHaveCount(2);
  await page.getByRole("button", { name: /^Leave What is profit P/ }).click();
  await expect(offers(page)).toHaveCount(1);
  await page.getByRole("button", { name: "not now" }).click();
  await expect(entry(page)).toBeVisible();
  await page.getByRole("button", { name: "1 offer", exact: true }).click();
  await expect(bar(page)).toContainText("Read: 1 offer.");
  await page.getByRole("button", { name: "Accept all" }).click();
  // 240 / (10 − 4.5) = 43.6…
  await expect(says(page)).toHaveText([/44 kites is the first whole number/]);
  await expect(kept(page)).toBeVisible();
  await page.reload();
  await expect(says(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Edit", exact: true }).click();
  await page.keyboard.press("Escape");
  await expect(bar(page)).toBeHidden();
});

test("a text that is typed is read when it is left; one that says nothing leaves the desk as it is", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await page.getByRole("button", { name: /^A story/ }).click();
  await page.keyboard.insertText("A blue dog of 7 years sings. Nobody knows why.");
  await page.keyboard.press("Escape");
  await expect(page.getByText("Reading …")).toBeHidden();
  await expect(bar(page)).toBeHidden();
  await page.getByRole("button", { name: "Edit", exact: true }).click();
  await page.keyboard.press("Control+a");
  await page.keyboard.insertText("A tank holds 600 litres of oil and loses 24 litres a day. When is it empty?");
  await page.keyboard.press("Escape");
  await expect(bar(page)).toBeVisible();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await page.emulateMedia({ colorScheme: "dark" });
  await offers(page).first().focus();
  expect(await faultsOf(page)).toEqual([]);
  await page.keyboard.press("a");
  await expect(says(page)).toHaveText(["A is 0 L at 25 days."]);
});

test("what a story asks about a function that was made of data is offered when the desk is seen again", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await paste(
    page,
    "Visitors of the mill were counted every day. When were the fewest, and how many come on 19 March?",
  );
  await expect(page.getByText("Reading …")).toBeHidden();
  await expect(bar(page)).toBeHidden();
  // (t − 4)² + 20 visitors, t in days from 1 March on: fewest on day 4, 216 + … on day 18: 14² + 20 = 216
  const rows = [0, 2, 4, 6, 8].map((t) => `2031-03-0${t + 1}\t${(t - 4) ** 2 + 20}`);
  await paste(page, ["day\tvisitors [visitors]", ...rows].join("\n"));
  await page.getByRole("button", { name: "Keep the rows" }).click();
  await page
    .getByRole("radiogroup", { name: "Models, best first" })
    .getByRole("radio", { name: /^quadratic/ })
    .first()
    .click();
  await page.getByRole("textbox", { name: "Name of the function" }).fill("N");
  await page.keyboard.press("Enter");
  await expect(bar(page)).toContainText("Read: 2 offers.");
  await page.getByRole("button", { name: "Accept all" }).click();
  await expect(says(page)).toHaveText([/least/, /216/]);
});
