import { faultsOf, stand } from "./pages";
import { expect, test } from "./server";

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
    expect(await faultsOf(page)).toEqual([]);
    await stand(page, server);
    await page.mouse.move(0, 0);
    expect(await faultsOf(page)).toEqual([]);
  }
  // What finds nothing must be able to find something.
  await page.evaluate(() => document.querySelector("main")!.append(document.createElement("button")));
  expect(await faultsOf(page)).toEqual([expect.stringMatching(/^button-name: /)]);
});

test.describe(() => {
  test.use({ tab: "own" });
  test("the policy forbids running text as code, and the script before the first graph is small", async ({
    page,
    server,
  }) => {
    await page.addInitScript(() => {
      // What had come when the first curve was there, told by the page itself: the test may look later. The worker's
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
    console.log(
      `JavaScript before the first graph: ${(total / 1024).toFixed(0)} kB as sent (brotli) in ${sizes.length} files`,
    );
    expect(total).toBeGreaterThan(50 * 1024);
    expect(total).toBeLessThan(450 * 1024);
  });
});
