import { expect, test } from "@playwright/test";
import { answerOne, beginSheet, openDrill } from "./drill-steps";
import { readyForField, rowsOf } from "./offline";
import { stateFile } from "./people";

test.use({ storageState: stateFile("applicator"), serviceWorkers: "allow" });

test("thirty questions without a signal arrive once, and the sheet is remembered", async ({ page, context }) => {
  await readyForField(page);
  await expect.poll(() => rowsOf(page, "drills")).toBe(1);
  const answers = async () =>
    ((await (await page.request.get("/api/v1/drill-pack")).json()) as { answers: unknown[] }).answers.length;
  const before = await answers();
  await context.setOffline(true);
  await openDrill(page);
  await expect(page.getByText("No signal.")).toBeVisible();
  await beginSheet(page);
  for (let i = 0; i < 30; i++) {
    await expect(page.locator("#question")).toBeVisible();
    await answerOne(page, 1 + (i % 3));
    await page.locator("[data-next]").click();
  }
  await expect(page.getByRole("heading", { name: "The sheet is full" })).toBeVisible();
  expect(await rowsOf(page, "outbox")).toBe(30);
  await context.setOffline(false);
  await expect.poll(() => rowsOf(page, "outbox"), { timeout: 60_000 }).toBe(0);
  expect(await answers()).toBe(before + 30);
  await page.goto("/drill");
  await expect(page.getByRole("heading", { name: /Your last 30/ })).toBeVisible();
});
