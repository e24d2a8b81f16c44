import { entry, faultsOf, newCase, says, stand, write, written } from "./pages";
import { expect, test } from "./server";
import { row } from "./toolPages";

test(
  "the entry line completes names, units and forms, typesets what is written, and " +
    "walks back through what was entered",
  async ({ page, server }) => {
    await stand(page, server);
    await page.keyboard.press("/");
    const editor = page.locator(".entry .cm-content");
    await expect(editor).toBeVisible();
    await page.keyboard.type("gre");
    await expect(page.getByRole("option", { name: /greatest/ })).toBeVisible();
    await page.keyboard.press("Tab");
    await expect.poll(() => written(page)).toContain("greatest");
    await entry(page).fill("D(q) = R/(C + 1");
    await expect(page.locator(".entry .cm-wrong")).toBeAttached();
    await entry(page).fill("D(q) = R/(C + 1)");
    await expect(page.locator(".entry .typeset .katex .mfrac")).toBeVisible();
    await page.keyboard.press("Enter");
    await expect(row(page, "D")).toBeVisible();
    await write(page, ["D(100) ?"]);
    await page.keyboard.press("ArrowUp");
    await expect.poll(() => written(page)).toBe("D(100) ?");
    await page.keyboard.press("ArrowUp");
    await expect.poll(() => written(page)).toBe("D(q) = R/(C + 1)");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("ArrowDown");
    await expect.poll(() => written(page)).toBe("");
  },
);

test("several pasted lines become several entries; the rest wait for one that cannot be read", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await entry(page).focus();
  await expect(page.locator(".entry .cm-content")).toBeVisible();
  await page.locator(".entry .cm-content").evaluate((node) => {
    const data = new DataTransfer();
    data.setData("text/plain", "n = 0 … 40 nights\nH(n) = 12 + 3 n\nH = 60 ?\nK(n) = 4 +\nG = 7\nasdf qwer\nM = 2");
    node.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  });
  // 12 + 3n = 60 at n = 16
  await expect(says(page)).toHaveText(["H is 60 at 16 nights."]);
  await expect.poll(() => written(page)).toBe("K(n) = 4 +");
  const waiting = page.getByRole("status").filter({ hasText: /more lines? wait/ });
  await expect(waiting).toHaveText(/^3 more lines wait for this one: G = 7 …/);
  await page.keyboard.press("End");
  await page.keyboard.type(" n");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Value of G: 7/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Formula of K/ })).toBeVisible();
  await expect.poll(() => written(page)).toBe("asdf qwer");
  await expect(waiting).toHaveText(/^1 more line waits for this one: M = 2/);
  await waiting.getByRole("button", { name: "leave it out" }).press("Enter");
  await expect(waiting).toBeHidden();
});

test("mistakes are caught while they are made and mended with one click", async ({ page, server }) => {
  await newCase(page, server);
  await write(page, ["i = 4.2", "t = 0 … 30 years", "A(t) = 100 (1 + i)^t", "g(t) = 1/2t", "A(10) ?"]);
  const slip = page
    .locator(".slip")
    .filter({ hasText: /percent|%/ })
    .first();
  await expect(slip).toBeVisible();
  await slip.getByRole("button").first().click();
  // 100 · 1.042^10 = 150.896
  await expect(says(page).first()).toHaveText(/150\.896/);
  const bracket = page.locator(".slip, .problem").filter({ hasText: /1\/2/ }).first();
  await bracket.getByRole("button").first().click();
  await expect(page.getByRole("button", { name: /^Formula of g: g\(t\) = 1\/\(2/ })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: /^Formula of g: g\(t\) = 1\/2t/ })).toBeVisible();
});

test("functions are moved by keys, mapped, hidden, and a deletion says what it breaks", async ({ page, server }) => {
  await stand(page, server);
  const names = () =>
    page.locator("[data-name]").evaluateAll((rows) => rows.map((r) => (r as HTMLElement).dataset.name).join(""));
  expect(await names()).toBe("pRCP");
  await row(page, "P").focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(names).toBe("pRPC");
  await page.keyboard.press("Control+z");
  await expect.poll(names).toBe("pRCP");
  await page.getByRole("button", { name: "Map", exact: true }).click();
  await expect(page.getByRole("img", { name: "R is made of p; P is made of R and C." })).toBeVisible();
  // A curve's colour is chosen by its swatch, and stays when the row moves.
  await row(page, "R").getByRole("button", { name: "Line of R: sky. Next colour" }).click();
  await expect(row(page, "R").getByRole("button", { name: "Line of R: violet. Next colour" })).toBeVisible();
  await row(page, "R").focus();
  await page.keyboard.press("Alt+ArrowDown");
  await expect(row(page, "R").getByRole("button", { name: "Line of R: violet. Next colour" })).toBeVisible();
  await expect(row(page, "C").getByRole("button", { name: "Line of C: brick. Next colour" })).toBeVisible();
  await page.keyboard.press("Escape");
  await row(page, "p").hover();
  await row(page, "p").getByRole("button", { name: "Draw p" }).click();
  await expect(page.getByRole("application", { name: /p in \$\/lantern/ })).toHaveCount(0);
  await row(page, "C").hover();
  await row(page, "C").getByRole("button", { name: "Delete C" }).click();
  await expect(page.getByText(/P, q1 needed it and cannot be worked out now|P.* needed it/)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(says(page).first()).toHaveText("17 lanterns is the first whole number that pays.");
});

test("pieces are written in rows, with the owner of each break, and once more with unit steps", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await write(page, ["t = 0 … 15 s"]);
  await page.getByRole("button", { name: "Pieces", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "A function by pieces" });
  const cell = (name: string) => dialog.getByRole("textbox", { name });
  await cell("Formula of piece 1").fill("3 t");
  await cell("End of piece 1").fill("6");
  await cell("Formula of piece 2").fill("20 - 2 (t - 6)");
  await cell("Start of piece 2").fill("6");
  await expect(dialog.getByText(/both own/)).toBeVisible();
  await dialog.getByRole("button", { name: "Piece 1 owns its end" }).click();
  await expect(dialog.getByText(/both own/)).toBeHidden();
  await expect(dialog.getByText(/With unit steps/)).toBeVisible();
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await dialog.getByRole("button", { name: "Also write it with unit steps" }).click();
  await expect(says(page)).toHaveText([/equal everywhere on 0 … 15 s/]);
});

test("numbers as they are now stay as a pale band, and another case can be laid under this one", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await page.getByRole("button", { name: "Compare", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "Compare with" });
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await dialog.getByRole("button", { name: /These numbers as they are now/ }).click();
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("250");
  await page.keyboard.press("Enter");
  // q²/30 − 11.5 q + 250 = 0 at (345 − √(345² − 4·7500))/2 = 23.33…
  await expect(says(page).first()).toHaveText("24 lanterns is the first whole number that pays.");
  await expect(page.getByText(/with F = 180, k = 2.5: 17 lanterns is the first/)).toBeVisible();
  await page.getByRole("button", { name: "End comparing" }).click();
  await expect(page.getByText(/with F = 180, k = 2.5: 17 lanterns/)).toBeHidden();
});

test("a threshold is dragged and the question follows; the graph is moved, looked into and reframed", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await write(page, ["x = 0 … 10", "f(x) = x^2", "f = 40 ?"]);
  await expect(says(page)).toHaveText([/^f is 40 at x = 6\.32/]);
  const stage = page.getByRole("application");
  const box = (await stage.boundingBox())!;
  const line = page.locator(".canvas svg").getByText(/40/).last();
  const at = (await line.boundingBox())!;
  // The threshold lies below its label; the pointer is moved down until it can be held.
  let y = at.y - 6;
  for (; y < at.y + at.height + 14; y += 2) {
    await page.mouse.move(box.x + box.width / 3, y);
    if (await stage.evaluate((e) => e.classList.contains("level"))) break;
  }
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 3, y - 40, { steps: 4 });
  await page.mouse.up();
  await expect(says(page)).not.toHaveText([/^f is 40 at/]);
  const value = Number(/f is (\d+(?:\.\d+)?) at/.exec(await says(page).first().innerText())![1]);
  expect(value).toBeGreaterThan(40);
  await page.keyboard.press("Control+z");
  await expect(says(page)).toHaveText([/^f is 40 at x = 6\.32/]);
  await stage.focus();
  await page.keyboard.press("+");
  await expect(page.getByRole("button", { name: "Reframe" })).toBeVisible();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel(0, -200);
  await page.keyboard.press("0");
  await expect(page.getByRole("button", { name: "Reframe" })).toBeHidden();
});

test("rows of the table stand on the graph, a finding has its close-up, its bars and its text", async ({
  page,
  server,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await stand(page, server);
  await page.getByRole("button", { name: "Table", exact: true }).click();
  const table = page.getByRole("region", { name: "Table of values" });
  await table.getByRole("button", { name: "own inputs" }).click();
  await table.getByRole("textbox", { name: "Own inputs" }).fill("100; 200");
  const before = await page.locator(".canvas svg path").count();
  await table.getByRole("button", { name: "Rows" }).click();
  await page.getByRole("menuitem", { name: "All rows on the graph" }).click();
  await table.getByRole("button", { name: "Rows" }).click();
  await page.getByRole("menuitem", { name: "Copy as CSV" }).click();
  // R(100) = 100·(14 − 100/30) = 1066.67, C(100) = 430, P = 636.67
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(
    /q \(lantern\),p \(\$\/lantern\),R \(\$\),C \(\$\),P \(\$\)\r?\n100,10\.6666\d*,1066\.66\d*,430,636\.66\d*/,
  );
  await expect.poll(() => page.locator(".canvas svg path").count()).toBeGreaterThan(before);
  await table.getByRole("button", { name: "Close" }).click();

  const card = page.locator('[data-id="q1"]');
  await card.getByRole("button", { name: "close-up" }).click();
  await expect(card.getByRole("img", { name: /^Close-up of q1/ })).toBeVisible();
  await card.getByRole("button", { name: "what matters most" }).click();
  const bars = card.getByRole("group", { name: "What matters most" });
  // F moves the crossing more than k does: (345 ∓ …) with F = 162, 198 against k = 2.25, 2.75
  await expect(bars.getByRole("listitem").first()).toContainText("F");
  await expect(bars.getByRole("listitem")).toHaveCount(3);
  await card.getByText("working", { exact: true }).click();
  // Esc ends the trail, so that nothing is dimmed on purpose.
  await page.mouse.move(0, 0);
  await page.keyboard.press("Escape");
  expect(await faultsOf(page)).toEqual([]);
  await card.getByRole("button", { name: "copy", exact: true }).click();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toContain("17 lanterns is the first whole number that pays.");
  expect(text).toContain("(345 - 15 sqrt(433))/2");
  await card.getByRole("button", { name: "copy as LaTeX" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(String.raw`\sqrt{433}`);
});
