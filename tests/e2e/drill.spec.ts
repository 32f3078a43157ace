import { expect, test } from "@playwright/test";
import { answerOne, beginSheet, openDrill } from "./drill-steps";
import { pageOf, stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

test("a plant is asked clue by clue with the keyboard alone, and what decides is shown afterward", async ({ page }) => {
  await openDrill(page);
  await page.getByLabel("Questions").focus();
  await page.keyboard.press("c");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.locator("#question")).toHaveText(/Which plant is this/);
  const clues = page.getByRole("list", { name: "Clues" }).getByRole("listitem");
  await expect(clues).toHaveCount(1);
  await page.keyboard.press("c");
  await expect(clues).toHaveCount(2);
  await expect(page.getByText(/Your answer is worth \d+ of 100 points now/)).toBeVisible();
  await page.keyboard.press("1");
  const after = page.locator("[data-after]");
  await expect(after.getByRole("status")).toHaveText(/^(Right|Wrong)\./);
  await expect(after.getByRole("table", { name: "What tells the two apart" })).toBeVisible();
  await expect(page.getByRole("list", { name: "1 of 30 answered" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(clues).toHaveCount(1);
  await page.keyboard.press("2");
  await expect(page.getByRole("list", { name: "2 of 30 answered" })).toBeVisible();
});

test("each other form is asked, answered and explained", async ({ page }) => {
  for (const [form, ask, said] of [
    ["next-check", /What do you check next/, /tells most about the name/],
    ["hold-or-clear", /Clear, hold or keep/, /Mean cost of each act/],
    ["measure", /How (long|wide) is the/, /as drawn\. You measured/],
    ["collar", /Which grass has this collar/, /It is/],
    ["quadrat", /How much stands in the frame/, /The plants cover [\d.]+% of the frame/],
  ] as const) {
    await openDrill(page);
    await beginSheet(page, form);
    await expect(page.locator("#question")).toHaveText(ask);
    await answerOne(page);
    await expect(page.locator("[data-after]")).toHaveText(said);
    await page.keyboard.press("Enter");
    await expect(page.locator("[data-after]")).toHaveCount(0);
  }
});

test("five minutes before going out: ten questions about a site fill a sheet, and are remembered", async ({ page }) => {
  await openDrill(page);
  const site = page.getByRole("region", { name: "Five minutes before going out" });
  await site.getByRole("button", { name: "Begin" }).click();
  for (let i = 0; i < 10; i++) {
    await expect(page.locator("#question")).toBeVisible();
    await answerOne(page, 1 + (i % 3));
    await page.locator("[data-next]").click();
  }
  await expect(page.getByRole("heading", { name: "The sheet is full" })).toBeVisible();
  await expect(page.getByText(/of 10 right/)).toBeVisible();
  await page.getByRole("button", { name: "Back to Drill" }).click();
  await expect(page.getByRole("heading", { name: /Your last \d+/ })).toBeVisible();
});

test("a specialist makes a set that must be passed, prints its quiz, and confirms what waits", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "specialist", viewport);
  const name = `Set ${Date.now() % 100000} Łąka`;
  await page.goto("/drill/teach");
  const form = page.getByRole("form", { name: "Make a set" });
  await form.getByRole("button", { name: "Make the set" }).click();
  await expect(form.getByText(/give the set a name/)).toBeVisible();
  await form.getByLabel("Name of the set").fill(name);
  await form.getByRole("combobox", { name: "Add one plant" }).fill("Himalayan black");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(form.getByRole("button", { name: "Take Himalayan blackberry out" })).toBeVisible();
  await form.getByRole("button", { name: "Make the set" }).click();
  const line = page.getByRole("listitem").filter({ hasText: name });
  await expect(line).toBeVisible();
  const quiz = await page.request.get((await line.getByRole("link", { name: /Quiz/ }).getAttribute("href")) ?? "");
  expect((await quiz.body()).subarray(0, 5).toString()).toBe("%PDF-");
  await line.getByRole("button", { name: "End this set" }).click();
  await expect(line).toHaveCount(0);

  await page.goto("/today");
  const waiting = page.getByRole("listitem").filter({ hasText: /has not passed the practice set/ });
  const before = await waiting.count();
  expect(before).toBeGreaterThan(0);
  await waiting.first().getByRole("link").click();
  await page.getByText(/^Confirm (Himalayan|Cutleaf) blackberry/).click();
  await page.getByRole("form", { name: "Confirm" }).getByRole("button", { name: "Confirm" }).click();
  await expect(page.getByText(/seen by a specialist\. /)).toBeVisible();
  await page.goto("/today");
  await expect(waiting).toHaveCount(before - 1);
  await page.context().close();
});

test("whoever only looks practices too, and neither teaches nor reads the group's results", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "visitor", viewport);
  await openDrill(page);
  await expect(page.getByRole("link", { name: /Make sets/ })).toHaveCount(0);
  expect((await page.goto("/drill/teach"))?.status()).toBe(404);
  await page.context().close();
});

test("two plants that stand side by side are practiced from there, each beside the other", async ({ page }) => {
  await page.goto("/twins?t=conium-maculatum&t=daucus-carota");
  await page.getByRole("link", { name: "Practice telling them apart" }).click();
  await page.getByRole("button", { name: /questions about these plants/ }).click();
  const choices = page.getByRole("list", { name: "Which plant" });
  await expect(choices.getByText("Conium maculatum")).toBeVisible();
  await expect(choices.getByText("Daucus carota")).toBeVisible();
});
