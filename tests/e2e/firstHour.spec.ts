import type { Page } from "@playwright/test";
import { entry, faultsOf, newCase, says, stand, written } from "./pages";
import { expect, test } from "./server";

/** Something pasted with nothing in focus, or dropped on the page. */
async function bring(page: Page, how: "paste" | "drop", text: string, file?: string): Promise<void> {
  await page.evaluate(
    ([kind, content, name]) => {
      const brought = new DataTransfer();
      if (name) brought.items.add(new File([content!], name));
      else brought.setData("text/plain", content!);
      const options = { bubbles: true, cancelable: true };
      (document.activeElement as HTMLElement | null)?.blur();
      document.body.dispatchEvent(
        kind === "paste"
          ? new ClipboardEvent("paste", { ...options, clipboardData: brought })
          : new DragEvent("drop", { ...options, dataTransfer: brought }),
      );
    },
    [how, text, file] as const,
  );
}

test("an empty case is begun with a small one by its kind of problem, and undone in one step", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  const beginning = page.getByRole("region", { name: "Begin with" });
  await expect(beginning.getByRole("button")).toHaveCount(3 + 8);
  await expect(page.getByRole("list", { name: "Kinds of marks" })).toHaveCount(0);
  expect(await faultsOf(page)).toEqual([]);
  await beginning.getByRole("button", { name: /^Cost and revenue/ }).click();
  await expect(says(page)).toHaveText(["R and C meet at exactly 20 lanterns.", "80 lanterns: $450."]);
  await expect(page.getByRole("heading", { name: "A table of lanterns" })).toBeVisible();
  await expect(page.getByRole("banner").getByRole("button", { name: "Undo" })).toHaveAttribute(
    "title",
    "Undo: begin with “A table of lanterns”",
  );
  await page.getByRole("banner").getByRole("button", { name: "Undo" }).click();
  await beginning.getByRole("button", { name: /^A plan/ }).click();
  await expect(page).toHaveURL(/\/plan$/);
  await expect(page.getByText(/^Make \d+ river lanterns and \d+ star lanterns/)).toBeVisible();
});

test("the ways to begin lead to the story, to the data and to the line", async ({ page, server }) => {
  await newCase(page, server);
  await page.getByRole("button", { name: /^A function write it/ }).click();
  await expect(entry(page)).toBeFocused();
  await page.getByRole("button", { name: /^A story paste it/ }).click();
  await expect(page.getByRole("textbox", { name: "Text of the story" })).toBeFocused();
  await page.getByRole("button", { name: /^Data paste a table/ }).click();
  await expect(page.getByRole("heading", { name: "No data yet" })).toBeVisible();
});

test("help is searched, and an example of it is tried in the case", async ({ page, server }) => {
  await stand(page, server);
  await page.keyboard.press("?");
  const help = page.getByRole("dialog", { name: "Help" });
  for (const topic of ["Statements", "Questions", "Formulas", "Units", "Forms", "Keys"])
    await expect(help.getByRole("heading", { name: topic })).toBeAttached();
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await help.getByRole("textbox", { name: "Search the help" }).fill("until P doubles");
  await expect(help.getByRole("heading", { level: 3 })).toHaveText(["Questions"]);
  await help.getByRole("button", { name: "Try how long until P doubles?" }).click();
  await expect.poll(() => written(page)).toBe("how long until P doubles?");
  await expect(entry(page)).toBeFocused();
  await page.keyboard.press("2");
  await expect.poll(() => written(page)).toBe("how long until P doubles?2");
});

test("what is pasted with nothing in focus goes where it belongs, and one undo takes it back", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  const toast = page.locator(".p-toast-message");
  const undo = page.getByRole("banner").getByRole("button", { name: "Undo", exact: true });
  await bring(page, "paste", "F = 90 $\nq = 0 … 40 lanterns\nC(q) = F + 7q\nR = 13q\nbreak even?");
  await expect(toast.last()).toContainText("5 lines were taken.");
  await expect(says(page)).toHaveText(["R and C meet at 15 lanterns."]);
  await toast.last().getByRole("button", { name: "Undo" }).click();
  await expect(says(page)).toHaveCount(0);
  await bring(page, "paste", "A stall costs $90 a night. A lantern takes $7 and sells at $13. When does it pay?");
  await expect(page.getByRole("region", { name: "Story" })).toContainText("A stall costs $90 a night.");
  await bring(page, "paste", "maximize 6x + 4y\n2x + 3y <= 240\n4x + y <= 200");
  await expect(page.getByRole("button", { name: /^Constraint A: 2x \+ 3y <= 240/ })).toBeVisible();
  await undo.click();
  await expect(page.getByText("2x + 3y")).toHaveCount(0);
  await bring(page, "paste", "price\tsold\n6\t240\n9\t150");
  await expect(page.getByRole("dialog", { name: "Data from elsewhere" })).toContainText("2 rows under a header");
  await page.keyboard.press("Escape");
  await bring(page, "paste", "C(q) = 90 + 7q)");
  await expect.poll(() => written(page)).toBe("C(q) = 90 + 7q)");
});

test("what is pasted into the entry line and is none of its lines goes where it belongs too", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  const into = (text: string) =>
    entry(page).evaluate((field, content) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData("text/plain", content);
      field.dispatchEvent(new ClipboardEvent("paste", { bubbles: true, cancelable: true, clipboardData }));
    }, text);
  await expect(entry(page)).toBeFocused();
  await into(
    "A stall costs $90 a night. A lantern takes $7 and sells at $13. When does it pay, and what is left of 40?",
  );
  await expect(page.getByRole("region", { name: "Story" })).toContainText("A lantern takes $7");
  await page.getByRole("button", { name: "not now" }).click();
  await into("F = 90 $\nC(q) = F + 7q\nasdf qwer");
  await expect.poll(() => written(page)).toBe("asdf qwer");
  await expect(page.getByRole("region", { name: "Functions" }).locator("[data-name]")).toHaveCount(1);
  await into("price\tsold\n6\t240\n9\t150");
  await expect(page.getByRole("dialog", { name: "Data from elsewhere" })).toContainText("2 rows under a header");
});

test("a case and a table are dropped anywhere; a broken case is told in words", async ({ page, server }) => {
  await newCase(page, server);
  // Words that are dragged within the page come from nowhere else.
  await page.evaluate(() => document.body.dispatchEvent(new DragEvent("dragstart", { bubbles: true })));
  await bring(page, "drop", "A stall costs $90 a night. A lantern takes $7.");
  await page.evaluate(() => document.body.dispatchEvent(new DragEvent("dragend", { bubbles: true })));
  await bring(page, "drop", '{ "format": "pasear-case", "version": 9, "title": "T" }', "t.json");
  await expect(page.locator(".p-toast-message").last()).toContainText("This case cannot be read.");
  await expect(page.getByText("No story yet.")).toBeVisible();
  await bring(page, "drop", "t,N\n0,120\n1,131\n2,144", "counts.csv");
  await expect(page.getByRole("dialog", { name: "Data from elsewhere" })).toContainText("3 rows under a header");
  await page.keyboard.press("Escape");
  const dropped = { format: "pasear-case", version: 1, title: "Dropped here", givens: [{ name: "F", value: 3 }] };
  await bring(page, "drop", JSON.stringify(dropped), "dropped.pasear.json");
  await expect(page.getByRole("heading", { name: "Dropped here" })).toBeVisible();
});

test("a trail lights up after a rest, and never while somebody writes", async ({ page, server }) => {
  await stand(page, server);
  const dim = page.locator(".dim");
  const cost = page.getByRole("region", { name: "Functions" }).getByRole("listitem").first();
  await cost.hover();
  await expect(dim.first()).toBeAttached();
  await page.mouse.move(2, 2);
  await expect(dim).toHaveCount(0);
  await entry(page).focus();
  await cost.hover();
  // Longer than the rest a trail waits for: what would light up has had its time.
  await page.waitForTimeout(600);
  await expect(dim).toHaveCount(0);
});

test("a table of three columns gives two functions of the first, in four actions from the paste", async ({
  page,
  server,
}) => {
  await newCase(page, server);
  await page.keyboard.press("Escape");
  await bring(
    page,
    "paste",
    "quantity (lantern)\tcost ($)\tprice ($/lantern)\n0\t90\t14\n100\t340\t11\n200\t590\t8\n300\t840\t5\n",
  );
  await page.getByRole("button", { name: "Keep the rows" }).click();
  const name = page.getByRole("textbox", { name: "Name of the function" });
  await expect(name).toHaveValue("C");
  // The view stays, and shows the next column.
  await page.getByRole("button", { name: "Use, and on to price" }).click();
  await expect(name).toHaveValue("P");
  await page.getByRole("button", { name: /^Use as P\(/ }).click();
  await expect(page.locator('[data-name="C"]')).toContainText("90");
  await expect(page.locator('[data-name="P"]')).toBeVisible();
});

test.describe("on a first visit", () => {
  test.use({ visits: "first", tab: "own" });
  test("four steps are offered on the first demo case, tried, and left for good", async ({ page, server }) => {
    await stand(page, server);
    const steps = page.getByRole("complementary", { name: "First steps" });
    await expect(steps).toContainText("1 of 4 The numbers of the story are marked. Rest the pointer on “$180”");
    expect(await faultsOf(page)).toEqual([]);
    await steps.getByRole("button", { name: "Next" }).click();
    await expect(steps).toContainText("Move the track under F");
    await steps.getByRole("button", { name: "Next" }).click();
    await steps.getByRole("button", { name: "Try P > 0 ?" }).click();
    await page.keyboard.press("Enter");
    await expect(says(page)).toHaveCount(4);
    await steps.getByRole("button", { name: "Leave the steps" }).click();
    await expect(steps).toBeHidden();
    await page.reload();
    await expect(says(page)).toHaveCount(4);
    await expect(steps).toBeHidden();
  });
});
