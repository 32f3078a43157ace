import { expect, test } from "@playwright/test";
import { stateFile } from "./people";
import { ownPlans } from "./planning-steps";

test.use({ storageState: stateFile("applicator") });

test("the ledger is sorted, searched and walked by its pages, and all of it stands in the address", async ({
  page,
}) => {
  await page.goto("/ledger");
  const rows = page.getByRole("table", { name: "Entries of the ledger" }).locator("tbody tr");
  const first = async () => Number(await rows.first().getByRole("cell").first().innerText());
  const newest = await first();
  await expect(rows).toHaveCount(50);
  await page.keyboard.press("]");
  await expect(page).toHaveURL(/after=/);
  await expect.poll(first).toBe(newest - 50);
  await page.keyboard.press("[");
  await expect(page).toHaveURL(/before=/);
  await expect.poll(first).toBe(newest);
  await page.getByRole("link", { name: "No." }).click();
  await expect(page.getByRole("columnheader", { name: "No." })).toHaveAttribute("aria-sort", "ascending");
  await expect.poll(first).toBe(1);
  await page.getByRole("searchbox").fill("dig out");
  await page.getByRole("button", { name: "Find" }).click();
  await expect(page).toHaveURL(/find=dig\+out.*sort=seq.up/);
  for (const text of await rows.allInnerTexts()) expect(text.toLowerCase()).toContain("dig out");
  await page.getByRole("searchbox").fill("no such work");
  await page.getByRole("button", { name: "Find" }).click();
  await page.getByRole("link", { name: "Show all entries" }).click();
  await expect(rows).toHaveCount(50);
});

test("a day is written in one way, typed in others, and chosen in the calendar with the keyboard", async ({ page }) => {
  const [plan] = await ownPlans(page);
  await page.goto(`/season/plan/${plan}`);
  await page.getByRole("link", { name: "Record it" }).click();
  const day = page.locator("input[name=day]");
  await expect(day).toHaveValue(/^\d{1,2} [A-Z][a-z]+ \d{4}$/);
  await day.fill("6/9/2026");
  await day.blur();
  await expect(day).toHaveValue("9 June 2026");
  await page.getByRole("button", { name: "Calendar: day of the work" }).click();
  await expect(page.getByRole("grid", { name: "June 2026" })).toBeVisible();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Enter");
  await expect(day).toHaveValue("8 June 2026");
  await day.fill("next week");
  await day.blur();
  await expect(page.getByText("Write the day like 9 June 2026.")).toBeVisible();
  await page.locator("input[name=fromTime]").fill("4:30 pm");
  await page.locator("input[name=fromTime]").blur();
  await expect(page.locator("input[name=fromTime]")).toHaveValue("16:30");
});
