import { choose, faultsOf, kept, says, stand, write } from "./pages";
import { expect, test } from "./server";
import { cards, cell, paste, dataView } from "./dataPages";

test("from a pasted messy table to a finding on the desk in six actions, no number typed twice", async ({
  page,
  server,
}) => {
  await dataView(page, server);
  let actions = 0;
  const act = async (what: () => Promise<void>) => {
    actions++;
    await what();
  };
  // Money, percent, decimal commas, a missing cell and a word.
  await act(() =>
    paste(
      page,
      "week\tpeople\tprice [$]\tshare\n0\t71\t$6,50\t4,2 %\n1\t117\t$6,50\t4,9 " +
        "%\n2\t233\t$7,00\t5,1 %\n3\t387\t\t5,8 %\n4\t710\t$7,25\t6,0 %\n5\t1.142\tsold " +
        "out\t6,4 %\n6\t1.844\t$7,50\t6,6 %\n7\t2.552\t$7,50\t7,0 %\n8\t3.399\t$8,00\t7,1 " +
        "%\n9\t4.009\t$8,00\t7,5 %\n",
    ),
  );
  const dialog = page.getByRole("dialog", { name: "Data from elsewhere" });
  await expect(dialog).toContainText(
    "10 rows under a header: week (numbers), people (numbers), price in $ (numbers), " +
      "share in % (numbers). 1 empty cell.",
  );
  await expect(dialog).toContainText("Decimal commas: 1,5 is one and a half.");
  await expect(dialog).toContainText("Not a number, and left empty: “sold out” in row 6, price.");
  expect(await faultsOf(page, ".p-dialog")).toEqual([]);
  await act(() => dialog.getByRole("button", { name: "Keep the rows" }).click());
  await expect(cards(page).first()).toContainText("logistic");
  await expect(cards(page).first()).toContainText("typical miss 39 people");
  await expect(cards(page).first()).toContainText("levels off near 5,174");
  await expect(cards(page).filter({ hasText: "linear" }).first()).toContainText("negative before week = 1.31");
  await act(() => page.getByRole("button", { name: "Use as P(week)" }).click());
  await act(() => write(page, ["P = 4500 ?"]));
  // 5174.07/(1 + e^(−0.621309 (t − 6.99453))) = 4500 at 6.99453 + ln(4500/674.07)/0.621309 = 10.0502
  await expect(says(page)).toHaveText(["P is 4,500 people at week = 10.0502."]);
  await act(() => write(page, ["P(12) ?"]));
  await expect(says(page).last()).toHaveText("P(12) is about 4,953 people, 3 beyond the last row.");
  console.log(`from paste to a finding: ${actions} actions (at most 6)`);
  expect(actions).toBeLessThanOrEqual(6);
  await expect(kept(page)).toBeVisible();
});

test("the grid is written by keys as people expect, rows are left out with a reason, and undone", async ({
  page,
  server,
}) => {
  await dataView(page, server);
  await page.getByRole("button", { name: "Write rows" }).click();
  await cell(page, 0, 0).click();
  for (const [x, y] of [
    ["1", "2"],
    ["2", "4.1"],
    ["3", "5.9"],
    ["4", "20"],
    ["5", "10"],
  ]) {
    await page.keyboard.type(x!);
    await page.keyboard.press("Tab");
    await page.keyboard.type(y!);
    await page.keyboard.press("Tab");
  }
  await expect(cell(page, 4, 1)).toHaveText("10");
  await expect(cell(page, 5, 0)).toBeFocused();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("F2");
  await page.keyboard.type(".1");
  await page.keyboard.press("Enter");
  await expect(cell(page, 4, 1)).toHaveText("10.1");
  await cell(page, 2, 1).click();
  await page.keyboard.type("six");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "“six” is no number" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(cell(page, 2, 1)).toHaveText("5.9");
  // Without row 4 the rest lie close to a line through the origin.
  await page.getByRole("button", { name: "Leave out row 4" }).click();
  await page.getByRole("textbox", { name: "Why is row 4 left out?" }).fill("counted twice");
  await page.getByRole("button", { name: "Leave it out" }).click();
  await expect(page.getByText("row 4 left out: counted twice")).toBeVisible();
  await expect(cards(page).first()).toContainText(/through the origin|linear/);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("row 4 left out: counted twice")).toBeHidden();
  await page.mouse.move(0, 0);
  expect(await faultsOf(page)).toEqual([]);
});

test("counts that fall and then rise are split, joined, and become one function in pieces", async ({
  page,
  server,
}) => {
  await stand(page, server, "Counts on the footbridge");
  await page.keyboard.press("2");
  await expect(page.getByText(/The rows turn near t = 6\.5/)).toBeVisible();
  await page.getByRole("button", { name: "Split at 6.5" }).click();
  await expect(page.getByRole("combobox", { name: "Model of the left side" })).toHaveText(/\w/);
  // The line of the break is dragged to the right, and its place is read off again.
  const stage = page.locator(".middle .stage");
  const box = (await stage.boundingBox())!;
  const y = box.y + box.height / 2;
  let x = box.x + 70;
  for (; x < box.x + box.width; x += 4) {
    await page.mouse.move(x, y);
    if (await stage.evaluate((e) => e.classList.contains("over"))) break;
  }
  await page.mouse.down();
  await page.mouse.move(x + 60, y, { steps: 4 });
  await page.mouse.up();
  const place = page.getByLabel("Place of the break");
  expect(Number(await place.inputValue())).toBeGreaterThan(7.5);
  await place.fill("6.5");
  await page.keyboard.press("Enter");
  await choose(page, "Model of the left side", "linear");
  await choose(page, "Model of the right side", "linear");
  await expect(page.getByText(/It (jumps up|drops) by/)).toBeVisible();
  await page.getByRole("button", { name: /^Join them at t = 6\.\d+/ }).click();
  await expect(page.getByText("The sides are joined at the break.")).toBeVisible();
  await choose(page, "Which side owns the break", "left");
  await page.getByRole("button", { name: /^Use as P\(t\) in pieces/ }).click();
  await write(page, ["least P ?"]);
  await expect(says(page).last()).toHaveText(/^P is least at 6\.\d+ days: about 3\d\d people\.$/);
});

test("data with two breaks become three pieces in one action", async ({ page, server }) => {
  await dataView(page, server);
  // 2t up to 10, then 20, then falling by 3 for each t beyond 20; small readings errors of ±0.1
  const level = (t: number) => (t < 10 ? 2 * t : t < 20 ? 20 : 20 - 3 * (t - 20));
  const rows = Array.from({ length: 30 }, (_, t) => `${t}\t${(level(t) + ((t % 3) - 1) * 0.1).toFixed(1)}`);
  await paste(page, `t\ty\n${rows.join("\n")}\n`);
  await page.getByRole("dialog").getByRole("button", { name: "Keep the rows" }).click();
  await page.getByRole("button", { name: /^Use y\(t\) in three pieces$/ }).click();
  await write(page, ["y(15) ?", "y(26) ?"]);
  await expect(says(page).first()).toHaveText(/^y\(15\) is (?:19\.9|20)/);
  await expect(says(page).last()).toHaveText(/^y\(26\) is (?:1\.9|2).*, inside the data\.$/);
});

test("a model of one’s own, the method on logarithms, hovering, constants, and what rounding would do", async ({
  page,
  server,
}) => {
  await stand(page, server, "Followers of the walk");
  await page.keyboard.press("2");
  await expect(cards(page).first()).toContainText("logistic");
  await page.getByRole("textbox", { name: "Own formula with free constants" }).fill("L (1 - exp(-k t");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "not closed" })).toBeVisible();
  await page.getByRole("textbox", { name: "Own formula with free constants" }).fill("c/(1 + exp(-k (t - m)))");
  await page.keyboard.press("Enter");
  await expect(cards(page).filter({ hasText: "own formula" })).toContainText("typical miss 39 people");
  const power = cards(page).filter({ hasText: "exponential, on logarithms" });
  await power.hover();
  await power.click();
  await page.locator(".models .card.chosen").getByText("constants").click();
  await expect(page.locator(".models .card.chosen")).toContainText("AICc");
  await page.getByText("What rounding would do").click();
  await choose(page, "Digits", "2");
  await expect(page.getByText(/On the rows it would be off by up to/)).toBeVisible();
  await cards(page)
    .filter({ hasText: /logistic/ })
    .first()
    .click();
  // q1: N = 4500 with constants to two digits, 5200/(1 + e^(−0.62 (t − 7))): t = 7 + ln(4500/700)/0.62 = 10.0013
  await expect(
    page.getByText(/q1: N is 4,500 people at 10\.0502 weeks.*Rounded: N is 4,500 people at 10\.001\d* weeks/),
  ).toBeVisible();
  await page.mouse.move(0, 0);
  expect(await faultsOf(page)).toEqual([]);
});

test("dates are counted from the first; start and unit can be changed, and findings say both", async ({
  page,
  server,
}) => {
  await stand(page, server, "Followers of the walk");
  await page.keyboard.press("2");
  await expect(
    page.getByText(/t counts weeks since 6 January 2031\. Dates were turned into t = 0 … 9\./),
  ).toBeVisible();
  await page.getByRole("button", { name: /^Unit of counting/ }).click();
  await page.getByLabel("Unit of counting").selectOption("day");
  await expect(page.getByText(/Dates were turned into t = 0 … 63\./)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("button", { name: /^Start of counting/ }).click();
  await page.getByRole("textbox", { name: "Start of counting" }).fill("2030-12-30");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/since 30 December 2030\. Dates were turned into t = 1 … 10\./)).toBeVisible();
  await page.keyboard.press("1");
  await expect(says(page).first()).toContainText("11.0502 weeks (17 March 2031)");
});
