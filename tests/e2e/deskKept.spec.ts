import type { Page } from "@playwright/test";
import { entry, faultsOf, kept, says, stand } from "./pages";
import { expect, test } from "./server";

test("what was changed elsewhere comes in beside what is typed here; in one place both versions are offered", async ({
  page,
  server,
}) => {
  await stand(page, server);
  const there = await server.case("Lantern stall");
  const other = structuredClone(there.case) as { givens: { name: string; value: number }[] };
  other.givens[0]!.value = 150;
  expect((await server.put(there.id, { case: other, revision: there.revision })).status).toBe(200);
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("190");
  await page.keyboard.press("Enter");
  const dialog = page.getByRole("dialog", { name: "Two versions of this case" });
  await expect(dialog).toContainText("Changed in both: given F.");
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await dialog.getByRole("button", { name: "Take the other version" }).click();
  await expect(page.getByRole("button", { name: /^Value of F: \$150/ })).toBeVisible();
  // What was typed here is one step back, and then in the way of nothing.
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByRole("button", { name: /^Value of F: \$190/ })).toBeVisible();
  await page.getByRole("button", { name: "Redo", exact: true }).click();
  await expect(kept(page)).toBeVisible();
  // In different places nothing is asked.
  const now = await server.case("Lantern stall");
  await server.put(now.id, { case: { ...now.case, title: "Elsewhere" }, revision: now.revision });
  await page.getByRole("button", { name: /^Value of k/ }).click();
  await page.getByRole("textbox", { name: "Value of k" }).fill("3");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Title of the case: Elsewhere/ })).toBeVisible();
  await expect(page.getByRole("alert").filter({ hasText: "Changed elsewhere" })).toContainText("the title");
  await expect(dialog).toBeHidden();
  await expect(kept(page)).toBeVisible();
  expect((await server.case("Elsewhere")).case.givens).toMatchObject([
    { name: "F", value: 150 },
    { name: "k", value: 3 },
    { name: "M" },
  ]);
});

test.describe("with a server of its own", () => {
  // It is killed.
  test.use({ alone: true, tab: "own" });

  test("a server that was killed: edits are held, said plainly, survive a reload, are sent when it is back", async ({
    page,
    server,
  }) => {
    await stand(page, server);
    await server.kill();
    await page.getByRole("button", { name: /^Value of F/ }).click();
    await page.getByRole("textbox", { name: "Value of F" }).fill("240");
    await page.keyboard.press("Enter");
    await expect(page.getByText("The server does not answer. Changes are held in this browser")).toBeVisible();
    await expect(says(page).first()).toHaveText("23 lanterns is the first whole number that pays.");
    await server.start();
    await expect(kept(page)).toBeVisible();
    expect((await server.case("Lantern stall")).case.givens).toMatchObject([{ name: "F", value: 240 }, {}, {}]);
    // Killed once more, changed, and the page closed before the server is back: the edit waits in the browser.
    await server.kill();
    await page.getByRole("button", { name: /^Value of F/ }).click();
    await page.getByRole("textbox", { name: "Value of F" }).fill("100");
    await page.keyboard.press("Enter");
    await expect(page.getByText("The server does not answer.")).toBeVisible();
    await server.start();
    await page.reload();
    await expect(page.getByRole("button", { name: /^Value of F: \$100/ })).toBeVisible();
    await expect(kept(page)).toBeVisible();
    expect((await server.case("Lantern stall")).case.givens).toMatchObject([{ name: "F", value: 100 }, {}, {}]);
  });
});

test("the shelf: new, rename, copy, delete and undo", async ({ page, server }) => {
  await page.goto(server.url);
  const cards = page.getByRole("list", { name: "Cases" }).getByRole("listitem");
  await expect(cards).toHaveCount((await server.cases()).length);
  const before = await cards.count();
  const card = cards.filter({ hasText: "Lantern stall" });
  await card.getByRole("button", { name: "Copy" }).click();
  await expect(cards).toHaveCount(before + 1);
  await page.getByRole("button", { name: /^Title of Lantern stall, copy/ }).click();
  await page.getByRole("textbox", { name: /Title of/ }).fill("Lantern stall, cheaper paper");
  await page.keyboard.press("Enter");
  await expect(cards.filter({ hasText: "cheaper paper" })).toBeVisible();
  await cards.filter({ hasText: "cheaper paper" }).getByRole("button", { name: "Delete" }).click();
  await expect(cards).toHaveCount(before);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cards.filter({ hasText: "cheaper paper" })).toBeVisible();
  await page.getByRole("button", { name: "New case" }).click();
  await expect(page.getByText("No story yet.")).toBeVisible();
});

test.describe(() => {
  test.use({ tab: "own" });
  test("two tabs of one browser, one a copy of the other: neither loses what was typed in it", async ({
    page,
    server,
  }) => {
    await stand(page, server);
    const [copy] = await Promise.all([
      page.context().waitForEvent("page"),
      page.evaluate(() => void window.open(window.location.href)),
    ]);
    await expect(says(copy).first()).toBeVisible();
    const typed = async (tab: Page, amount: string) => {
      await entry(tab).fill(`F = ${amount} $`);
      await tab.keyboard.press("Enter");
    };
    const value = (tab: Page) => tab.locator('[data-given="F"] .value');
    // One follows the other.
    await typed(page, "185");
    await expect(value(copy)).toContainText("$185");
    // Both at once: neither is sent before both are typed.
    const writes = (url: URL) => url.pathname.startsWith("/api/cases/");
    await page.context().route(writes, (route) => route.abort());
    await typed(page, "190");
    await typed(copy, "210");
    await page.context().unroute(writes);
    const asked = (tab: Page) => tab.getByRole("dialog", { name: "Two versions of this case" });
    await expect
      .poll(async () => [await asked(page).isVisible(), await asked(copy).isVisible()].filter(Boolean).length)
      .toBe(1);
    // The one that came second is asked, and after a reload still has what was typed in it.
    const [second, first, its] = (await asked(copy).isVisible()) ? [copy, page, "$210"] : [page, copy, "$190"];
    await second.reload();
    await expect(asked(second)).toBeVisible();
    await second.getByRole("button", { name: "Keep what is here" }).click();
    await expect(value(second)).toContainText(its);
    await expect(kept(second)).toBeVisible();
    await expect(value(first)).toContainText(its);
  });
});
