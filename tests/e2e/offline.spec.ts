import { entry, kept, says } from "./pages";
import { expect, test } from "./server";

test.use({ alone: true, tab: "own", serviceWorkers: "allow" });

test("after a first visit everything works with no server, and what was changed is sent when it is back", async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page.getByRole("link", { name: "Open Lantern stall" }).click();
  await expect(says(page).first()).toBeVisible();
  // The worker has its files, and what this page had read before it came.
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const names = await caches.keys();
        const cases = names.includes("cases") ? (await (await caches.open("cases")).keys()).length : 0;
        return navigator.serviceWorker.controller?.state === "activated" && cases >= 2;
      }),
    )
    .toBe(true);
  await server.kill();
  // A fresh page, from the browser alone.
  await page.goto(server.url);
  await expect(page.getByText("The server does not answer. This is the shelf as it was on")).toBeVisible();
  await page.getByRole("link", { name: "Open Lantern stall" }).click();
  await expect(says(page).first()).toHaveText("17 lanterns is the first whole number that pays.");
  await expect(page.getByRole("application", { name: /^Graph of/ })).toBeVisible();
  await expect(page.getByText("The server does not answer. Changes are held in this browser")).toBeVisible();
  await entry(page).fill("F = 240 $");
  await page.keyboard.press("Enter");
  await expect(says(page).first()).toHaveText("23 lanterns is the first whole number that pays.");
  // The other views and the typesetter come from the browser too.
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Table" }).click();
  await expect(page.getByRole("region", { name: "Table of values" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.reload();
  await expect(says(page).first()).toHaveText("23 lanterns is the first whole number that pays.");
  await page.getByRole("button", { name: "Data" }).click();
  await expect(page.locator(".empty")).toBeVisible();
  await server.start();
  await expect(kept(page)).toBeVisible();
  expect((await server.case("Lantern stall")).case.givens).toMatchObject([{ name: "F", value: 240 }, {}, {}]);
});

test("a page that only reads says when the server is away, and that it is back", async ({ page, server }) => {
  await page.goto(server.url);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state)).toBe("activated");
  await page.getByRole("link", { name: "Open Lantern stall" }).click();
  await expect(kept(page)).toBeVisible();
  await server.kill();
  await page.reload();
  await expect(page.getByText("The server does not answer.")).toBeVisible();
  await server.start();
  await expect(kept(page)).toBeVisible();
});
