import { entry, faultsOf, kept, newCase, says, stand, write } from "./pages";
import { expect, test } from "./server";

test("a function that is called otherwise where it stands is followed by all that uses it", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await page.getByRole("button", { name: /^Formula of C/ }).click();
  await page.getByRole("textbox", { name: "Formula of C" }).fill("K(q) = F + k q");
  await page.keyboard.press("Enter");
  // P = R − C, and the question where R and C meet: nothing is broken, no answer changes.
  await expect(page.getByRole("button", { name: /^Formula of P: P\(q\) = R - K/ })).toBeVisible();
  await expect(page.locator('[data-id="q1"] .question')).toContainText("cost K");
  await expect(says(page)).toHaveText([
    "17 lanterns is the first whole number that pays.",
    "172 or 173 lanterns: $811.87.",
    "p(172.5) is $8.25/lantern.",
  ]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator('[data-id="q1"] .question')).toContainText("cost C");
});

test("what is deleted offers to take off what needed it, by key too, and one step of undo brings that back", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await write(page, ["F = 180 $", "x = 0 … 10", "f(x) = F + 2 x", "g(x) = 3 x", "f = 190 ?", "g = 6 ?"]);
  await expect(says(page)).toHaveText(["f is $190 at x = 5.", "g is 6 at x = 2."]);
  const given = page.locator('[data-given="F"]');
  await given.hover();
  await given.getByRole("button", { name: "Delete F" }).click();
  await expect(page.getByText("f, q1 needed it and cannot be worked out now.")).toBeVisible();
  expect(await faultsOf(page, ".p-toast")).toEqual([]);
  await page.getByRole("button", { name: "Delete these too" }).focus();
  await page.keyboard.press("Enter");
  await expect(says(page)).toHaveText(["g is 6 at x = 2."]);
  await expect(page.getByRole("button", { name: "Delete these too" })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(says(page)).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(says(page).first()).toHaveText("f is $190 at x = 5.");
  await expect(kept(page)).toBeVisible();
});

test("several values are asked for in one line, changed in place, and refused with a reason", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  // x² − 6x + 8 is 0 at 2 and 4, 3 at 1 and 5, −1 at 3 only, and never −2.
  await write(page, ["x = 0 … 10", "f(x) = x^2 - 6x + 8", "f = 0, 3 or -2 ?"]);
  await expect(says(page)).toHaveText(["f is 0 at x = 2 and x = 4; 3 at x = 1 and x = 5; never −2."]);
  const values = page.getByRole("button", { name: /Part of the question: 0, 3 or −2/ });
  await values.click();
  const field = page.getByRole("textbox", { name: /Part of the question/ });
  await field.fill("0, bread");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "bread" })).toBeVisible();
  await field.fill("-1, 8");
  await page.keyboard.press("Enter");
  await expect(says(page)).toHaveText(["f is −1 at x = 3; 8 at x = 0 and x = 6."]);
  await entry(page).click();
  await page.keyboard.insertText("f = 0, or ?");
  await expect(page.locator(".says.wrong")).toBeVisible();
});
