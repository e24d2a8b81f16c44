import { entry, newCase, says, write } from "./pages";
import { expect, test } from "./server";

test("a case is begun and asked about in plain words, and a calculation is named", async ({ page, server }) => {
  await newCase(page, server);
  // 15x − (90 + 7x) = 0 at 11.25, so 12 kites are the first whole number that pays; the profit of 250 is 1,910.
  await write(page, ["let x be the number of kites", "x from 0 to 250", "C = 90 + 7x; R = 15x", "P(x) = R - C"]);
  await write(page, ["where is P zero", "Max P.", "what is P at 250"]);
  await expect(says(page)).toHaveText([/12 kites is the first whole number/, /1,910/, /1,910/]);

  await entry(page).fill("2400 (1 + 2.9%/4)^12");
  await expect(page.locator("#entry-says")).toContainText("= 2,617.33042987");
  await page.keyboard.press("Enter");
  await expect(page.locator("#entry-says")).toContainText("adds the given a = 2,617.33");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-given="a"] .value')).toContainText("2,617.33");

  await entry(page).fill("max P by moonlight");
  await expect(page.locator("#entry-says")).toContainText("moonlight");
  await entry(page).fill("greatst P ?");
  await page.locator("#entry-says").getByRole("button").click();
  await page.keyboard.press("Enter");
  await expect(says(page)).toHaveCount(4);
});
