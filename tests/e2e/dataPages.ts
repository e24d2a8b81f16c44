import type { Page } from "@playwright/test";
import { newCase } from "./pages";
import { expect, type TestServer } from "./server";

export const cards = (page: Page) => page.getByRole("radiogroup", { name: "Models, best first" }).getByRole("radio");
export const cell = (page: Page, row: number, column: number) => page.locator(`[data-cell="${row}:${column}"]`);
export async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((t) => {
    const data = new DataTransfer();
    data.setData("text/plain", t);
    document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
}
export async function dataView(page: Page, server: TestServer): Promise<void> {
  await newCase(page, server);
  await page.getByRole("button", { name: "Data", exact: true }).click();
  await expect(page.getByText("No data yet")).toBeVisible();
}
