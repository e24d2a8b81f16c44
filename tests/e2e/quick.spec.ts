import type { Page } from "@playwright/test";
import { says, stand } from "./pages";
import { expect, test } from "./server";

test.use({ tab: "own" });

/** Keeps the code editor on its way until it is let go; all else comes at once. */
async function holdEditor(page: Page): Promise<() => void> {
  let letGo = (): void => undefined;
  const gone = new Promise<void>((resolve) => (letGo = resolve));
  await page.route("**/_nuxt/*.js", async (route) => {
    const response = await route.fetch();
    if ((await response.text()).includes("cm-focused")) await gone;
    await route.fulfill({ response });
  });
  return letGo;
}
const field = (page: Page) => page.getByRole("textbox", { name: "Formula of C" });
const tag = (page: Page) => field(page).evaluate((e) => e.tagName);

// 791.87 = P(172) with 20 more of fixed cost: 172·(14 − 172/30) − 200 − 430 = 791.87.
for (const [when, typedBefore, typedAfter] of [
  ["selected whole", "", "C(q) = F + k q + 20"],
  ["half written", "C(q) = F + k ", "q + 20"],
] as const)
  test(`what is ${when} in the plain field goes over into the editor that takes its place`, async ({
    page,
    server,
  }) => {
    const letGo = await holdEditor(page);
    await stand(page, server);
    await page.getByRole("button", { name: /^Formula of C/ }).click();
    expect(await tag(page)).toBe("INPUT");
    await page.keyboard.type(typedBefore);
    letGo();
    await expect.poll(() => tag(page)).toBe("DIV");
    await page.keyboard.type(typedAfter);
    await page.keyboard.press("Enter");
    await expect(says(page).nth(1)).toHaveText("172 or 173 lanterns: $791.87.");
  });

test("every view has an address of its own: back, reload and a copied address lead there", async ({ page, server }) => {
  await stand(page, server);
  const view = (name: string) => page.getByRole("navigation", { name: "Views" }).getByRole("button", { name });
  const address = page.url();
  await view("Plan").click();
  await expect(page.locator("main.plan")).toBeVisible();
  await view("Data").click();
  await expect(page.locator("main.data")).toBeVisible();
  expect(page.url()).toBe(`${address}/data`);
  await page.goBack();
  await expect(page.locator("main.plan")).toBeVisible();
  await page.reload();
  await expect(page.locator("main.plan")).toBeVisible();
  await expect(view("Plan")).toHaveAttribute("aria-current", "page");
  await page.goto(`${address}/desk`);
  await expect(says(page).first()).toBeVisible();
  // A view that is none is the one the case opens with.
  await page.goto(`${address}/dusk`);
  await expect(says(page).first()).toBeVisible();
});

test("a digit pressed in a list chooses in it, and does not lead to another view", async ({ page, server }) => {
  await stand(page, server, "Followers of the walk");
  await page.keyboard.press("2");
  await page.getByText("What rounding would do").click();
  await page.getByRole("combobox", { name: "Digits" }).focus();
  await page.keyboard.press("3");
  await page.keyboard.press("1");
  await expect(page.locator("main.data")).toBeVisible();
});
