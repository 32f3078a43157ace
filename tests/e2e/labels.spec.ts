import { expect, test } from "@playwright/test";
import { pageOf } from "./people";
import { planningOn } from "./planning-steps";

test("a label changes after work was planned with it: the plan says what, and is checked again", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "specialist", viewport);
  const name = `Label ${Date.now() % 100000} Łąka ≥ 2`;
  await page.goto("/ledger/labels");
  const enter = page.getByRole("form", { name: "Enter a label" });
  await enter.getByLabel("Name on the label").fill(name);
  await enter.getByLabel("Highest rate per ha").fill("6");
  await enter.getByRole("button", { name: "Enter it" }).click();
  await expect(page.getByText("Label entered.")).toBeVisible();
  await planningOn(page, /beard|Multiflora/i);
  const method = page
    .getByRole("listitem")
    .filter({ has: page.getByText("by product") })
    .filter({ has: page.getByText("Plan this", { exact: true }) })
    .first();
  await method.getByText("Plan this", { exact: true }).click();
  await method.getByLabel("Person responsible").selectOption({ label: "Tansy Quillfeather" });
  await method.getByLabel("Label you will use").selectOption({ label: name });
  await method.getByLabel(/Nothing is sown, because/).check();
  await method.getByLabel("Why nothing is sown").fill("The meadow closes by itself.");
  await method.getByRole("button", { name: "Add it to the season" }).click();
  await expect(page).toHaveURL(/\/season\/plan\//);
  const plan = page.url();
  await page.goto("/ledger/labels");
  const line = page.getByRole("listitem").filter({ hasText: name });
  await line.getByText("The label has changed …").click();
  const form = line.getByRole("form", { name: `A new version of ${name}` });
  await form.getByLabel("Highest rate per ha").fill("4");
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(line.getByText(/Version 2, entered by/)).toBeVisible();
  await page.goto(plan);
  await expect(page.getByText("highest rate per ha: 6, now 4")).toBeVisible();
  await page.getByRole("button", { name: "I have checked the plan against version 2" }).click();
  await expect(page.getByText("highest rate per ha: 6, now 4")).toHaveCount(0);
  await expect(page.getByText("Checked against the label in force.")).toBeVisible();
  await page.getByText("Drop this plan …").click();
  await page.getByLabel("Why it is not done").fill("It was planned to see a label change.");
  await page.getByRole("button", { name: "Drop it" }).click();
  await expect(page.getByText(/Dropped: “It was planned/)).toBeVisible();
  await page.context().close();
});
