import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, type TestServer } from "./server";
import { go } from "./sharedTab";

export const entry = (page: Page) => page.getByRole("textbox", { name: /^Entry line/ });
export const kept = (page: Page) => page.getByRole("status").filter({ hasText: "All changes kept" });
export const says = (page: Page) => page.locator(".findings .card .says");
/** What stands in the entry line, whether the editor has come or the plain field still serves. */
export const written = (page: Page): Promise<string> =>
  entry(page).evaluate((e) => {
    if (e instanceof HTMLInputElement) return e.value;
    const line = e.querySelector(".cm-line")!.cloneNode(true) as HTMLElement;
    line.querySelector(".cm-placeholder")?.remove();
    return line.textContent ?? "";
  });

/** Takes an entry of a list that opens. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole("combobox", { name: label }).click();
  await page.getByRole("option", { name: option, exact: true }).click();
  await expect(page.getByRole("listbox")).toHaveCount(0);
}
/** A view of a demo case, by its address; the way over the shelf is tried by the tests of the shelf. */
export async function opened(page: Page, server: TestServer, title: string, view = ""): Promise<void> {
  const { id } = await server.case(title);
  await go(page, `${server.url}/case/${id}${view && `/${view}`}`);
}
export async function stand(page: Page, server: TestServer, title = "Lantern stall"): Promise<void> {
  await opened(page, server, title);
  await expect(says(page).first()).toBeVisible();
}
export async function planOf(page: Page, server: TestServer, title = "Two lanterns, one evening"): Promise<void> {
  await opened(page, server, title, "plan");
  await expect(page.locator(".plan .says")).toBeVisible();
}
/** An empty case, as the button on the shelf makes it, which those tests press that are about it. */
export async function newCase(page: Page, server: TestServer): Promise<void> {
  const id = await server.make({ format: "pasear-case", version: 1, title: "New case" });
  await go(page, `${server.url}/case/${id}`);
  await expect(page.getByText("No story yet.")).toBeVisible();
}
export async function write(page: Page, lines: readonly string[]): Promise<void> {
  for (const line of lines) {
    await entry(page).fill(line);
    await page.keyboard.press("Enter");
    await expect.poll(() => written(page), { message: `the line ${line} is taken` }).toBe("");
  }
}

/** Nothing fades or slides from now on: a notice that is half gone is no fault of its colours. */
const standStill = (page: Page) =>
  page.evaluate(() => {
    const still = new CSSStyleSheet();
    still.replaceSync("*, ::before, ::after { transition: none !important; animation: none !important }");
    document.adoptedStyleSheets.push(still);
  });
const moveAgain = (page: Page) =>
  page.evaluate(() => {
    document.adoptedStyleSheets.pop();
  });

/**
 * Accessibility faults of the page or of a part of it, each with its place. Asked within the page, and for nothing but
 * faults: to carry over all that was found right took four times as long as to look.
 */
export async function faultsOf(page: Page, part?: string): Promise<string[]> {
  const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"] });
  await standStill(page);
  const { violations } = await (part ? builder.include(part) : builder).analyze();
  await moveAgain(page);
  return violations.map(
    (v) => `${v.id}: ${v.nodes.map((n) => `${n.target.join(" ")} ${n.failureSummary}`).join(", ")}`,
  );
}
