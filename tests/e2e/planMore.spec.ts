import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { choose, faultsOf, kept, newCase, planOf } from "./pages";
import { expect, test, type TestServer } from "./server";

const line = (page: Page) => page.getByRole("textbox", { name: "A constraint or the objective" });
const answer = (page: Page) => page.locator(".plan .says");
async function add(page: Page, ...texts: string[]): Promise<void> {
  for (const text of texts) {
    await line(page).fill(text);
    await page.keyboard.press("Enter");
    await expect(line(page)).toHaveValue("");
  }
}
async function planView(page: Page, server: TestServer): Promise<void> {
  await newCase(page, server);
  await page.getByRole("button", { name: "Plan", exact: true }).click();
}
/** A knapsack of many kinds with many limits, in LP format: far too large for fractions. */
function largeFile(n: number, m: number): string {
  let seed = 20311;
  const random = () => {
    seed = (seed * 48271) % 2147483647;
    return seed / 2147483647;
  };
  const sum = (f: () => number) => Array.from({ length: n }, (_, j) => `${f()} x${j}`).join(" + ");
  const rows = Array.from({ length: m }, (_, i) => ` r${i}: ${sum(() => 10 + Math.floor(random() * 90))} <= ${n * 20}`);
  return (
    `Maximize\n obj: ${sum(() => 10 + Math.floor(random() * 90))}\nSubject To\n` +
    `${rows.join("\n")}\nBounds\n` +
    `${Array.from({ length: n }, (_, j) => ` 0 <= x${j} <= 10`).join("\n")}\nGenerals\n ` +
    `${Array.from({ length: n }, (_, j) => `x${j}`).join(" ")}\nEnd\n`
  );
}

test("limits are taken from the words of the story, with what each lantern takes", async ({ page, server }) => {
  await newCase(page, server);
  await page.getByRole("button", { name: "Write or paste one" }).click();
  await page
    .getByRole("textbox", { name: "Text of the story" })
    .fill(
      "A paper boat takes 2 sheets and 5 minutes, a paper crane 1 sheet and 8 minutes. " +
        "There are at most 100 sheets and 400 minutes, and at least 10 cranes are ordered. A " +
        "boat brings $3, a crane $4.",
    );
  await page.getByRole("button", { name: "Plan", exact: true }).click();
  await add(page, "greatest 3b + 4c in $");
  await page.getByRole("button", { name: /^Meaning of b/ }).click();
  await page.getByRole("textbox", { name: "Meaning of b" }).fill("boats");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /^Meaning of c/ }).click();
  await page.getByRole("textbox", { name: "Meaning of c" }).fill("cranes");
  await page.keyboard.press("Enter");
  for (const [words, constraint] of [
    ["at most 100 sheets", "2b + c <= 100"],
    ["400 minutes", "5b + 8c <= 400"],
    ["at least 10 cranes", "c >= 10"],
  ] as const) {
    const offer = page.getByRole("button", { name: `${words} ${constraint}` });
    await offer.click();
    await expect(offer).toBeHidden();
    await expect(
      page.getByRole("button", { name: new RegExp(`^Constraint .: ${constraint.replaceAll("+", "\\+")}\\. Change`) }),
    ).toBeVisible();
  }
  await add(page, "b >= 0");
  // 2b + c = 100 and 5b + 8c = 400 meet at b = 400/11, c = 300/11: 3b + 4c = 2400/11 = 218.18
  await expect(answer(page)).toHaveText("Make 36.3636 boats and 27.2727 cranes: $218.18.");
  await page.mouse.move(0, 0);
  expect(await faultsOf(page)).toEqual([]);
});

test("a given is varied: the region, its corners and the sentence move together", async ({ page, server }) => {
  await newCase(page, server);
  const desk = page.getByRole("textbox", { name: /^Entry line/ });
  await desk.focus();
  await page.keyboard.insertText("M = 240 sheets");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Vary M" }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Plan", exact: true }).click();
  await add(page, "greatest 3.5x + 4y in $", "paper: 2x + 3y <= M", "4x + 2y <= 320", "x >= 0", "y >= 0");
  await expect(answer(page)).toHaveText("Make x = 60 and y = 40: $370.");
  await expect(page.getByText("two methods agree")).toBeVisible();
  // What is on the page is noted after every change of the sentence: the region must have moved with it.
  await page.evaluate(() => {
    const seen: [string, string, string][] = [];
    Object.assign(window, { seen });
    const look = () =>
      seen.push([
        document.querySelector(".plan .says")!.textContent!,
        [...document.querySelectorAll(".region svg g[clip-path] path")].map((p) => p.getAttribute("d")).join(),
        [...document.querySelectorAll<SVGElement>(".region svg text")].find((t) => t.style.fontSize === "14px")
          ?.textContent ?? "",
      ]);
    new MutationObserver(look).observe(document.querySelector(".plan .says")!, {
      childList: true,
      characterData: true,
      subtree: true,
    });
  });
  const handle = page.getByRole("slider", { name: "Vary M" });
  await handle.focus();
  for (let i = 0; i < 6; i++) {
    await page.keyboard.press("ArrowRight");
    await page.waitForTimeout(40);
  }
  const seen = await page.evaluate(() => (window as unknown as { seen: [string, string, string][] }).seen);
  expect(seen.length).toBeGreaterThan(2);
  for (const [says, , corner] of seen) {
    // The best corner's label on the region says the value of the sentence.
    const value = /: (\$[\d.,]+)\.$/.exec(says)![1]!;
    expect(Number(corner.replace(/^.*\$|,/g, ""))).toBeCloseTo(Number(value.replace(/[$,]/g, "")), 1);
  }
  expect(new Set(seen.map(([, points]) => points)).size).toBe(seen.length);
});

test("a large plan comes from a file: progress, cancel, and on with it on the server", async ({ page, server }) => {
  test.slow();
  await planView(page, server);
  await page.getByRole("button", { name: "Files" }).click();
  const dialog = page.getByRole("dialog", { name: "Plan files" });
  const file = dialog.getByLabel("File with a plan");
  await file.setInputFiles({ name: "odd.lp", mimeType: "text/plain", buffer: Buffer.from("a letter, no plan") });
  await expect(dialog.getByRole("alert")).toContainText("odd.lp: The file could not be read as LP format");
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await file.setInputFiles({ name: "large.lp", mimeType: "text/plain", buffer: Buffer.from(largeFile(60, 40)) });
  await expect(dialog).toContainText("large.lp: 60 variables, 60 of them whole, 100 constraints, made greatest.");
  await dialog.getByRole("button", { name: "Use this plan" }).click();
  await expect(page.getByText(/Working it out with the compiled solver · \d/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/best so far \d[\d,]* *, at most [\d,.]+ possible/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText(/^Cancelled; the best so far was [\d,]+\./)).toBeVisible();
  await page.getByRole("button", { name: "Work it out on the server" }).click();
  await expect(page.getByText(/Working it out on the server · \d/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/best so far/)).toBeVisible({ timeout: 60_000 });
  // The page stays free meanwhile: a constraint is changed, and that ends the work.
  await page.getByRole("button", { name: "Constraint r0 in force" }).click();
  await expect(page.getByText(/Working it out with the compiled solver/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(kept(page)).toBeVisible();
});

test("a plan of 30 variables is solved, tested, and read off in tables; two of them are a slice", async ({
  page,
  server,
}) => {
  // Looking over tables of this size for accessibility faults takes its time.
  test.slow();
  await planView(page, server);
  await page.getByRole("button", { name: "Files" }).click();
  const dialog = page.getByRole("dialog", { name: "Plan files" });
  const n = 30;
  // Each x is held by its own row 2 x ≤ 8 + k; one row holds all: Σ x ≤ 60. The dearest are filled first.
  const text =
    `Maximize\n obj: ${Array.from({ length: n }, (_, j) => `${j + 1} x${j}`).join(" + ")}` +
    `\nSubject To\n all: ${Array.from({ length: n }, (_, j) => `x${j}`).join(" + ")} <= ` +
    `60\n` +
    `${Array.from({ length: n }, (_, j) => ` r${j}: 2 x${j} + x${(j + 1) % n} <= 20`).join("\n")}` +
    `\nEnd\n`;
  await dialog
    .getByLabel("File with a plan")
    .setInputFiles({ name: "thirty.lp", mimeType: "text/plain", buffer: Buffer.from(text) });
  await dialog.getByRole("button", { name: "Use this plan" }).click();
  await expect(page.getByText("tested: all kept, and its multipliers prove it")).toBeVisible({ timeout: 60_000 });
  await expect(answer(page)).toContainText(/^Make .* more that are not 0: |^Make x/);
  // The two that weigh most are pictured at once; others can be chosen, or none.
  await expect(page.getByRole("application", { name: /^Region of x27 and x29/ })).toBeVisible();
  await page.getByRole("button", { name: "No slice" }).click();
  await page.getByRole("button", { name: "Picture two of the variables as a slice" }).click();
  await choose(page, "Variable across", "x29");
  await choose(page, "Variable upwards", "x28");
  await expect(page.getByRole("application", { name: /^Region of x29 and x28: \d corners/ })).toBeVisible();
  await page.mouse.move(0, 0);
  expect(await faultsOf(page)).toEqual([]);
});

test("files of the plan and its picture are saved; a variable that is yes or no", async ({ page, server }) => {
  await planOf(page, server);
  await page.getByRole("button", { name: "Files" }).click();
  const dialog = page.getByRole("dialog", { name: "Plan files" });
  for (const [button, end, wanted] of [
    ["LP format", "lp", /max[\s\S]*A: \+2 x \+3 y <= \+240/],
    ["MPS", "mps", /ROWS[\s\S]*COLUMNS[\s\S]*ENDATA/],
    ["Constraints as CSV", "csv", /A,2x \+ 3y <= 240,sheets of paper,yes/],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      dialog.getByRole("button", { name: button }).click(),
    ]);
    expect(download.suggestedFilename()).toBe(`two-lanterns-one-evening.${end}`);
    expect(readFileSync(await download.path(), "utf8")).toMatch(wanted);
  }
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "For a document" }).click();
  const picture = page.getByRole("dialog", { name: "Graph for a document" });
  await picture.getByLabel("SVG, sharp at any size").check();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    picture.getByRole("button", { name: "Save" }).click(),
  ]);
  const svg = readFileSync(await download.path(), "utf8");
  expect(svg).toContain("(60, 40) $370");
  expect(svg).toContain("Two lanterns, one evening");
  // Colours are written into it, so that it looks the same anywhere.
  expect(svg).not.toContain("var(--");
  await page.getByRole("button", { name: "yes or no" }).last().click();
  await expect(answer(page)).toHaveText("No point keeps all constraints.");
  await page.getByRole("button", { name: "yes or no" }).last().click();
  await expect(answer(page)).toHaveText("Make 60 river lanterns and 40 sky lanterns: $370.");
});
