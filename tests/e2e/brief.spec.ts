import { readFile } from "node:fs/promises";
import type { Download, Page } from "@playwright/test";
import { strFromU8, unzipSync } from "fflate";
import { faultsOf, opened, stand } from "./pages";
import { expect, test, type TestServer } from "./server";

/** The brief of a case of the demo, with all its pictures drawn. */
async function brief(page: Page, server: TestServer, title: string): Promise<void> {
  await opened(page, server, title, "brief");
  await isDrawn(page);
}
async function isDrawn(page: Page): Promise<void> {
  await expect(page.getByRole("article", { name: "Brief" })).toBeVisible();
  await expect(page.getByText("The picture is being drawn …")).toHaveCount(0);
}
const bytesOf = async (download: Download): Promise<Uint8Array> => readFile(await download.path());
async function saved(page: Page, name: string): Promise<Download> {
  const coming = page.waitForEvent("download");
  await page.getByRole("button", { name, exact: true }).click();
  return coming;
}

test("from the demo case to the brief, and in one more action to each file of it", async ({ page, server }) => {
  await stand(page, server);
  await page.keyboard.press("4");
  await isDrawn(page);
  const sheet = page.getByRole("article", { name: "Brief" });
  await expect(sheet.getByRole("heading", { level: 1 })).toHaveText("Sell 172 lanterns at $8.25");
  await expect(sheet.locator(".answer")).toContainText("17 lanterns is the first whole number that pays.");
  await expect(sheet).toContainText("F, permit and workbench14.715 lanterns18.175 lanterns");
  expect(await faultsOf(page)).toEqual([]);

  const text = strFromU8(unzipSync(await bytesOf(await saved(page, "Text document")))["word/document.xml"]!);
  expect(text).toContain("172 or 173 lanterns: $811.87.");
  expect(text).toContain("<m:f>");
  const zip = unzipSync(await bytesOf(await saved(page, "Markdown")));
  expect(strFromU8(zip["brief.md"]!)).toContain("![Graph of R, C and P in \\$");
  // 640 px of the page at three to one are 1,920: 300 dots an inch on 16 cm. The width of a PNG begins at byte 16.
  const picture = zip["pictures/graph.png"]!;
  expect(new DataView(picture.buffer, picture.byteOffset).getUint32(16)).toBe(1920);
  const latex = unzipSync(await bytesOf(await saved(page, "LaTeX")));
  expect(strFromU8(latex["brief.tex"]!)).toContain("\\includegraphics[width=\\linewidth]{pictures/graph.png}");

  const file = await saved(page, "Case file");
  expect(file.suggestedFilename()).toBe("lantern-stall.pasear.json");
  const id = /case\/([^/]+)/.exec(page.url())![1]!;
  const kept = (await (await page.request.get(`${server.url}/api/cases/${id}`)).json()) as { case: unknown };
  expect(JSON.parse(strFromU8(await bytesOf(file)))).toEqual(kept.case);

  const findings = strFromU8(await bytesOf(await saved(page, "Findings as CSV")));
  expect(findings.split("\n")[0]).toContain("finding,question,answer,status,at,value,exact");
  // (345 − 15√433)/2, with all its digits
  expect(findings).toContain(String((345 - Math.sqrt(97_425)) / 2).slice(0, 15));
  const formulas = strFromU8(await bytesOf(await saved(page, "Formulas")));
  expect(formulas.match(/<math /g)).toHaveLength(4);

  const html = strFromU8(await bytesOf(await saved(page, "Web page")));
  const outside: string[] = [];
  const other = await page.context().newPage();
  other.on("request", (request) => outside.push(request.url()));
  await other.setContent(html);
  await expect(other.getByRole("heading", { name: "Sell 172 lanterns at $8.25" })).toBeVisible();
  await expect(other.locator("figure > svg")).toHaveCount(1);
  expect(outside).toEqual([]);
  await other.close();
});

test("printed: the page and nothing beside it, on the paper that was chosen", async ({ page, server }) => {
  await brief(page, server, "Lantern stall");
  const paper = async () => {
    const pdf = Buffer.from(await page.pdf({ preferCSSPageSize: true })).toString("latin1");
    const sizes = [...pdf.matchAll(/\/MediaBox\s*\[0 0 ([\d.]+) ([\d.]+)\]/g)];
    return { sheets: sizes.length, size: sizes[0]!.slice(1).map((v) => Math.round(Number(v))) };
  };
  // A4 is 210 by 297 mm, Letter 8.5 by 11 inches, in points of 1/72 inch.
  const a4 = await paper();
  expect(a4.size).toEqual([595, 842]);
  expect(a4.sheets).toBeGreaterThan(1);
  expect(a4.sheets).toBeLessThan(5);
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("heading", { name: "Parts" })).toBeHidden();
  await expect(page.getByRole("button", { name: "Undo" })).toBeHidden();
  await page.emulateMedia({ media: null });
  await page.getByRole("combobox", { name: "Paper" }).click();
  await page.getByRole("option", { name: "Letter" }).click();
  await expect(page.locator(".brief-page.letter")).toBeVisible();
  expect((await paper()).size).toEqual([612, 792]);
});

test("own words stay over a changed given, and the number in them follows", async ({ page, server }) => {
  await brief(page, server, "Lantern stall");
  await page.getByRole("button", { name: "+ Own words" }).click();
  const words = page.getByRole("textbox", { name: /^own words/ }).first();
  await expect(words).toBeFocused();
  await page.keyboard.type("The permit is =");
  await page.getByRole("dialog", { name: "Number of the case" }).waitFor();
  await page.keyboard.type("permit");
  await expect(page.getByRole("option")).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(words).toBeFocused();
  await page.keyboard.type(" for the night");
  await expect(words).toHaveText("The permit is $180 for the night");

  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Desk", exact: true }).click();
  await page.getByRole("button", { name: /^Value of F/ }).click();
  await page.getByRole("textbox", { name: "Value of F" }).fill("200");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Brief", exact: true }).click();
  await expect(page.getByText("The permit is $200 for the night")).toBeVisible();
  await page.reload();
  await expect(page.getByText("The permit is $200 for the night")).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
});

test("parts are switched and moved by keys; what is left without a number says the sign that was typed", async ({
  page,
  server,
}) => {
  await brief(page, server, "Two lanterns, one evening");
  const titles = () =>
    page.getByRole("article", { name: "Brief" }).getByRole("heading", { level: 2 }).allTextContents();
  expect(await titles()).toEqual(["What we know", "The plan"]);
  await page.getByRole("checkbox", { name: "What we know" }).press("Space");
  await expect.poll(titles).toEqual(["The plan"]);
  await page.getByRole("checkbox", { name: "What we know" }).press("Space");
  await page.locator("[data-id=plan]").focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(titles).toEqual(["The plan", "What we know"]);
  await expect(page.locator("[data-id=plan]")).toBeFocused();

  await page.getByRole("button", { name: "+ Own words" }).click();
  const words = page.getByRole("textbox", { name: /^own words/ });
  await expect(words).toBeFocused();
  await page.keyboard.type("x =");
  await page.getByRole("dialog", { name: "Number of the case" }).waitFor();
  await page.keyboard.press("Escape");
  await expect(words).toBeFocused();
  await page.keyboard.type(" 60");
  await expect(words).toHaveText("x = 60");
  await page.getByRole("button", { name: "Mathematics" }).click();
  await page.keyboard.type("2x + 3y <= 240");
  await page.keyboard.press("Enter");
  await expect(words.locator(".katex").first()).toBeVisible();
});

test("the brief in the dark and at 400 pixels", async ({ page, server }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await brief(page, server, "Two lanterns, one evening");
  expect(await faultsOf(page)).toEqual([]);
  await page.setViewportSize({ width: 400, height: 800 });
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  await expect.poll(wide).toBeLessThanOrEqual(0);
  expect(await faultsOf(page)).toEqual([]);
});
