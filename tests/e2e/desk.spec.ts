import { readFileSync } from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { entry, faultsOf, kept, newCase, says, stand, write, written } from "./pages";
import { expect, test } from "./server";

test("from the shelf to the break-even: the story, the functions, the graph and the findings stand there", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await expect(page.getByText("Permit and workbench cost")).toBeVisible();
  await expect(says(page)).toHaveText([
    "17 lanterns is the first whole number that pays.",
    "172 or 173 lanterns: $811.87.",
    "p(172.5) is $8.25/lantern.",
  ]);
  await expect(page.getByText("328.56 set aside: over the limit")).toBeVisible();
  await expect(page.getByText("the only crossing on 0 … 320")).toBeVisible();
  // Two panes share one axis; the curve of every function and the ringed answers are drawn.
  await expect(page.locator(".canvas svg path").first()).toBeAttached();
  await expect(page.getByRole("application", { name: /Graph of R, C and P in \$; p in \$\/lantern/ })).toBeVisible();
  await expect(page.locator(".canvas svg").getByText("break-even 16.435")).toBeVisible();
});

test("a changed given is followed by everything, kept, and still there after closing", async ({
  page,
  server,
  context,
}) => {
  await stand(page, server);
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("$205.50");
  await page.keyboard.press("Enter");
  // R − C = −q²/30 + 11.5 q − 205.5: q = (345 − √(345² − 4·6165))/2 = (345 − √94365)/2 = 18.9056…
  await expect(says(page).first()).toHaveText("19 lanterns is the first whole number that pays.");
  await expect(page.getByText("≈ 18.90").first()).toBeVisible();
  await expect(page.locator(".canvas svg").getByText("break-even 18.906")).toBeVisible();
  await expect(kept(page)).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await stand(again, server);
  await expect(says(again).first()).toHaveText("19 lanterns is the first whole number that pays.");
  await expect(again.getByRole("button", { name: /^Value of F: \$205\.50/ })).toBeVisible();
});

test("a question is typed, previewed and answered, all by keyboard", async ({ page, server }) => {
  await stand(page, server);
  await page.keyboard.press("/");
  await expect(entry(page)).toBeFocused();
  await page.keyboard.type("P(250) ?");
  await expect(page.getByText("asks: what is profit P at 250 lanterns?")).toBeVisible();
  await page.keyboard.press("Enter");
  // P(250) = 250·(14 − 250/30) − 180 − 625 = 611.67
  await expect(says(page).last()).toHaveText("P(250) is $611.67.");
  await page.keyboard.type("P >= 500 ?");
  await expect(page.getByText("asks: where is profit P at least $500, for 0 … 320 lanterns?")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(says(page).last()).toHaveText("P is at least $500 from 76 to 269 lanterns.");
  await page.keyboard.press("Escape");
  await page.keyboard.press("n");
  await expect(page.locator(".findings .card").first()).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(page.locator(".findings .card").nth(1)).toBeFocused();
  await page.keyboard.press("Control+z");
  await expect(says(page)).toHaveCount(4);
  await page.keyboard.press("Control+Shift+z");
  await expect(says(page)).toHaveCount(5);
});

test("wrong entries get a plain sentence with their place, and nothing is lost", async ({ page, server }) => {
  await stand(page, server);
  const wrong: [string, RegExp][] = [
    ["D(q) = 12q +", /stops after the plus: a number or a name should follow/],
    ["D(q) = C(q", /bracket opened at place 2 in .*C\(q.* is not closed/],
    ["D(q) = 1/0", /divides by 0 at place 3/],
    ["D(q) = q q q(", /stops after the bracket/],
    ["D(q) = kq", /Did you mean k q/],
    ["F(q) = 3 q", /The name F is used twice/],
    ["R(q) = P + C", /a circle of functions has no values/],
    ["R = Q ?", /Q.* is not known here/],
    ["12q", /names nothing yet/],
  ];
  for (const [text, message] of wrong) {
    await entry(page).fill(text);
    await expect(page.locator("#entry-says")).toHaveText(message);
    await page.keyboard.press("Enter");
    expect(await written(page)).toBe(text);
  }
  await entry(page).fill("");
  await expect(says(page)).toHaveCount(3);
  // In place: a broken formula stays in its field with the reason, and Esc brings the old one back.
  await page.getByRole("button", { name: /^Formula of C/ }).click();
  await page.getByRole("textbox", { name: "Formula of C" }).fill("C(q) = F + k q +");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "stops after the plus" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(says(page).first()).toHaveText("17 lanterns is the first whole number that pays.");
});

test("a formula is changed where it stands, and a question in its parts", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: /^Formula of C/ }).click();
  await page.getByRole("textbox", { name: "Formula of C" }).fill("C(q) = F + k q + 20");
  await page.keyboard.press("Enter");
  await expect(says(page).nth(1)).toHaveText("172 or 173 lanterns: $791.87.");
  await page.getByRole("button", { name: /Part of the question: cost C/ }).click();
  await page.getByRole("combobox").selectOption("P");
  await expect(says(page).first()).toContainText("R and P");
  await page
    .getByRole("button", { name: /Part of the question: 0 … 320 lanterns/ })
    .last()
    .click();
  await page.getByRole("textbox", { name: /Part of the question/ }).fill("0 … 100");
  await page.keyboard.press("Enter");
  await expect(says(page).nth(1)).toContainText("100 lanterns");
});

test("a track is moved by keys and everything follows; a suggested question is asked with one click", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await page.getByRole("slider", { name: "Vary F" }).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press("ArrowRight");
  // the track runs from 0 to 500 in steps of 2.5 rounded to 5: 180 + 8·5 = 220, and the first crossing moves to (345
  // − √92625)/2 = 20.33
  await expect(page.getByRole("button", { name: /^Value of F: \$220/ })).toBeVisible();
  await expect(says(page).first()).toHaveText("21 lanterns is the first whole number that pays.");
  await page.getByRole("button", { name: /^Where is profit P equal to \$0/ }).click();
  await expect(says(page).last()).toHaveText("21 lanterns is the first whole number that pays.");
  await expect(page.getByRole("button", { name: /^Where is profit P equal to \$0/ })).toHaveCount(0);
});

test("a phrase is selected and becomes a given", async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole("button", { name: "New case" }).click();
  await page.getByRole("button", { name: "Write or paste one" }).click();
  await page
    .getByRole("textbox", { name: "Text of the story" })
    .fill("The raft costs $64 to hire, and each passenger pays $5.");
  await page.getByRole("button", { name: "Done" }).click();
  const run = page.locator(".text span").first();
  await run.evaluate((node) => {
    const t = node.firstChild!;
    const range = document.createRange();
    range.setStart(t, 15);
    range.setEnd(t, 18);
    getSelection()!.removeAllRanges();
    getSelection()!.addRange(range);
  });
  await page.locator(".page").dispatchEvent("mouseup");
  await page.getByLabel("name").fill("h");
  await page.getByRole("button", { name: "Mark", exact: true }).click();
  await expect(page.getByRole("button", { name: "$64, given h" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Value of h: \$64/ })).toBeVisible();
  await write(page, ["n = 0 … 40 passengers, whole", "p = $5/passenger", "T(n) = p n", "K(n) = h + 0 n", "T = K ?"]);
  await expect(says(page)).toHaveText(["13 passengers is the first whole number that pays."]);
});

test("a velocity by pieces, its way and its slope are written line by line, and changed in place", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await write(page, [
    "t = 0 … 15 s",
    "v(t) = 3 t for 0 <= t < 6; 18 - 2 (t - 6) for 6 <= t <= 15",
    "w(t) = 3 t - 5 (t - 6) step(t - 6)",
    "s(t) = total of v from 0",
    "v = w ?",
    "s = 54 ?",
    "greatest v ?",
  ]);
  // ∫ 3t from 0 to 6 is 54; the peak is 18 at 6
  await expect(says(page)).toHaveText([
    "v and w are equal everywhere on 0 … 15 s: their greatest difference is 0.",
    "s is 54 at t = 6 s.",
    "v is greatest at t = 6 s: 18.",
  ]);
  await page.getByRole("button", { name: /^Formula of v/ }).click();
  await page
    .getByRole("textbox", { name: "Formula of v" })
    .fill("v(t) = 3 t for 0 <= t < 6; 20 - 2 (t - 6) for 6 <= t <= 15");
  await page.keyboard.press("Enter");
  await expect(page.getByText("v jumps by 2 at t = 6, from 18 to 20.")).toBeVisible();
  await expect(says(page).nth(2)).toHaveText("v is greatest at t = 6 s: 20.");
});

test("a table of values with inputs of my own, and the graph as a file", async ({ page, server }) => {
  await stand(page, server);
  await page.getByRole("button", { name: "Table", exact: true }).click();
  const table = page.getByRole("region", { name: "Table of values" });
  await expect(table.getByRole("row").nth(1)).toContainText("$14/lantern");
  await table.getByRole("button", { name: "own inputs" }).click();
  await table.getByRole("textbox", { name: "Own inputs" }).fill("17; 345/2; M");
  // R(17) = 17·(14 − 17/30) = 228.37; P(172.5) = 811.875
  await expect(table.getByRole("row").nth(1)).toContainText("$228.37");
  await expect(table.getByRole("row").nth(2)).toContainText("$811.88greatest row");
  await expect(table.getByRole("row").nth(3).getByRole("rowheader")).toHaveText("320");
  await table.getByRole("textbox", { name: "Own inputs" }).fill("17; ten");
  await expect(table.getByRole("alert")).toContainText("is no number");
  expect((await new AxeBuilder({ page }).include(".values").analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(table).toBeHidden();
  await expect(page.getByRole("button", { name: "Table", exact: true })).toBeFocused();
  const file = page.getByRole("dialog", { name: "Picture file" });
  for (const [kind, start] of [
    ["PNG, for documents", "\u0089PNG"],
    ["SVG, sharp at any size", "<svg"],
  ] as const) {
    await page.getByRole("button", { name: "Picture file" }).click();
    await file.getByRole("radio", { name: kind }).check();
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      file.getByRole("button", { name: "Save" }).click(),
    ]);
    await expect(file).toBeHidden();
    expect(download.suggestedFilename()).toMatch(/^lantern-stall\.(png|svg)$/);
    const content = readFileSync((await download.path())!);
    expect(content.toString("latin1").startsWith(start)).toBe(true);
    expect(content.length).toBeGreaterThan(4000);
    if (start === "<svg") expect(content.toString("utf8")).toContain("break-even 16.435");
  }
});

test("a form is searched and put on the desk, and answers a question", async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole("button", { name: "New case" }).click();
  await page.getByRole("button", { name: "Forms" }).click();
  const dialog = page.getByRole("dialog", { name: "Forms" });
  await dialog.getByRole("textbox", { name: "Search the forms" }).fill("channel");
  await expect(dialog.getByRole("heading", { name: "Flow in a rectangular channel" })).toBeVisible();
  expect((await new AxeBuilder({ page }).include(".p-dialog").analyze()).violations.map((v) => v.id)).toEqual([]);
  await dialog.getByRole("button", { name: "Put on the desk" }).click();
  await entry(page).fill("Q = 12 ?");
  await page.keyboard.press("Enter");
  // 1/0.014 · 3y · (3y/(3+2y))^(2/3) · 0.03 = 12 at y = 2.0533…, by bisection on the formula itself
  await expect(says(page)).toHaveText(/^Q is 12 at y = 2\.05\d+ m\.$/);
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("No function yet.")).toBeVisible();
});

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

test("a server that was killed: edits are held, said plainly, survive a reload, and are sent when it is back", async ({
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
  await expect(kept(page)).toBeVisible({ timeout: 10_000 });
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
  await expect(kept(page)).toBeVisible({ timeout: 10_000 });
  expect((await server.case("Lantern stall")).case.givens).toMatchObject([{ name: "F", value: 100 }, {}, {}]);
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

test("the trail lights what belongs together, and the reading line reads all functions off", async ({
  page,
  server,
}) => {
  await stand(page, server);
  await page.locator(".row").filter({ hasText: "permit and workbench" }).hover();
  await expect(page.locator(".row.dim")).not.toHaveCount(0);
  await expect(page.locator(".row").filter({ hasText: "profit" })).not.toHaveClass(/dim/);
  await expect(page.locator(".row").filter({ hasText: "line through 2 readings" })).toHaveClass(/dim/);
  // What steps back can still be read.
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole("application").focus();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.locator(".readout")).toContainText("q = 16.435");
  // On an answer, the graph lights its trail: the finding and the phrases it came from.
  await expect(page.locator(".findings .card").first()).toHaveClass(/first/);
  await expect(page.locator(".findings .card").nth(1)).toHaveClass(/dim/);
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.locator(".readout")).toContainText("P $811.88");
  await page.keyboard.press("Escape");
  // A ring that is pointed at does the same.
  const canvas = (await page.locator(".canvas").boundingBox())!;
  const ring = (await page.locator('.canvas svg path[stroke="#f0a02c"]').first().boundingBox())!;
  expect(ring.x).toBeGreaterThan(canvas.x);
  await page.mouse.move(ring.x + ring.width / 2, ring.y + ring.height / 2);
  await expect(page.locator(".findings .card.first")).toHaveCount(1);
  await page.mouse.move(0, 0);
  await expect(page.locator(".dim")).toHaveCount(0);
});

test("no view has an accessibility fault, in light and dark", async ({ page, server }) => {
  for (const colorScheme of ["light", "dark"] as const) {
    await page.emulateMedia({ colorScheme });
    await page.goto(server.url);
    await expect(page.getByRole("link", { name: "Open Lantern stall" })).toBeVisible();
    expect(
      (await new AxeBuilder({ page }).analyze()).violations.map(
        (v) => `${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join(", ")}`,
      ),
    ).toEqual([]);
    await stand(page, server);
    await page.mouse.move(0, 0);
    await page.waitForTimeout(300);
    expect(
      (await new AxeBuilder({ page }).analyze()).violations.map(
        (v) => `${v.id}: ${v.nodes.map((n) => `${n.target.join(" ")} ${n.failureSummary}`).join(", ")}`,
      ),
    ).toEqual([]);
  }
});

test("the policy forbids running text as code, and the script before the first graph is small", async ({
  page,
  server,
}) => {
  await page.addInitScript(() => {
    // What had come when the first curve was there, told by the page itself: the test may look later. The worker's own
    // script (96 kB) comes beside it, off the page's thread.
    const scripts = () =>
      (performance.getEntriesByType("resource") as PerformanceResourceTiming[]).filter(
        (r) => r.name.endsWith(".js") && !r.name.includes(".worker-"),
      );
    new MutationObserver((_, watcher) => {
      if (!document.querySelector(".canvas svg path")) return;
      watcher.disconnect();
      Object.assign(window, { beforeGraph: scripts().map((r) => r.encodedBodySize) });
    }).observe(document, { childList: true, subtree: true });
  });
  const answer = await page.goto(server.url);
  expect(answer!.headers()["content-security-policy"]).toContain("script-src 'self' 'nonce-");
  expect(answer!.headers()["content-security-policy"]).not.toContain("'unsafe-eval'");
  await page.getByRole("link", { name: "Open Lantern stall" }).click();
  await expect(page.locator(".canvas svg path").first()).toBeAttached();
  const sizes = await page.evaluate(() => (window as unknown as { beforeGraph: number[] }).beforeGraph);
  const total = sizes.reduce((a, b) => a + b, 0);
  console.log(`JavaScript before the first graph: ${(total / 1024).toFixed(0)} kB gzipped in ${sizes.length} files`);
  expect(total).toBeGreaterThan(50 * 1024);
  expect(total).toBeLessThan(450 * 1024);
});

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
    .poll(async () => [await asked(page).isVisible(), await asked(copy).isVisible()].filter(Boolean).length, {
      timeout: 15_000,
    })
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
