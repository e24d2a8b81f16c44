import type { Page } from "@playwright/test";
import { choose, entry, written } from "./pages";
import { expect } from "./server";

/** What a person does, counted: a run of keys with its Enter, a click, a paste, a choice from a list. */
export class Hand {
  actions = 0;
  constructor(readonly page: Page) {}
  async desk(text: string): Promise<void> {
    this.actions++;
    await entry(this.page).focus();
    await this.page.keyboard.insertText(text);
    await this.page.keyboard.press("Enter");
    await expect.poll(() => written(this.page), { message: `the line ${text} is taken` }).toBe("");
  }
  async plan(text: string): Promise<void> {
    this.actions++;
    const line = this.page.getByRole("textbox", { name: "A constraint or the objective" });
    await line.fill(text);
    await line.press("Enter");
    await expect(line, `the line ${text} is taken`).toHaveValue("");
  }
  async click(name: string | RegExp, within = this.page.locator("body")): Promise<void> {
    this.actions++;
    await within
      .getByRole("button", { name, exact: typeof name === "string" })
      .first()
      .click();
  }
  async view(name: "Desk" | "Data" | "Plan"): Promise<void> {
    this.actions++;
    await this.page
      .getByRole("navigation", { name: "Views" })
      .getByRole("button", { name: new RegExp(`^${name}`) })
      .click();
    await expect(this.page.locator(`main.${name.toLowerCase()}`)).toBeVisible();
  }
  async fill(label: string, text: string, enter = true): Promise<void> {
    this.actions++;
    await this.page.getByRole("textbox", { name: label }).fill(text);
    if (enter) await this.page.keyboard.press("Enter");
  }
  async choose(label: string, option: string): Promise<void> {
    this.actions++;
    await choose(this.page, label, option);
  }
  async model(name: string): Promise<void> {
    this.actions++;
    await this.page
      .getByRole("radiogroup", { name: "Models, best first" })
      .getByRole("radio", { name: new RegExp(`^${name}(?!, on)`) })
      .first()
      .click();
  }
  /** Pastes a table and keeps it: two actions. */
  async table(text: string): Promise<void> {
    this.actions++;
    await this.page.evaluate((t) => {
      const data = new DataTransfer();
      data.setData("text/plain", t);
      document.body.dispatchEvent(
        new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, text);
    await this.click("Keep the rows");
    await expect(this.page.getByRole("dialog")).toBeHidden();
  }
}
