import { expect, test } from "@playwright/test";
import { stateFile } from "./people";
import { ownPlans } from "./planning-steps";

test.use({ storageState: stateFile("applicator") });

test("what was mixed for a plan fills in its record, and nothing is typed twice", async ({ page }) => {
  const [plan] = await ownPlans(page, /treat/i);
  await page.goto(`/mix?plan=${plan}`);
  await expect(page.locator("[data-ready=yes]")).toBeVisible();
  await page.getByRole("radio", { name: "metric" }).click();
  await page.getByRole("radio", { name: "Tank" }).click();
  await expect(page.getByLabel("Area to be sprayed")).not.toHaveValue("");
  const typed: [string, string][] = [
    ["Area to be sprayed", "1000"],
    ["Carrier", "200"],
    ["The tank takes", "15"],
    ["Rate, as the label writes it", "3"],
  ];
  for (const [label, text] of typed) await page.getByLabel(label).first().fill(text);
  await page.locator("main select").nth(1).selectOption({ index: 1 });
  await expect(page.getByText("20 L in all, 2 loads")).toBeVisible();
  await page.goto(`/ledger/new?plan=${plan}`);
  await expect(page.getByText("Filled in from your mix on this device.")).toBeVisible();
  await expect(page.locator("input[name='product.ratePerHa']")).toHaveValue("3");
  await expect(page.locator("input[name='product.total']")).toHaveValue("0.3");
  await expect(page.locator("input[name='product.carrierL']")).toHaveValue("19.7");
});

test("of two products in one tank the one that is over its label is named, with the arithmetic", async ({ page }) => {
  await page.goto("/mix");
  await expect(page.locator("[data-ready=yes]")).toBeVisible();
  await page.getByRole("radio", { name: "metric" }).click();
  await page.getByRole("radio", { name: "Tank" }).click();
  const fill = (label: string, text: string, n = 0) => page.getByLabel(label).nth(n).fill(text);
  await fill("Area to be sprayed", "1000");
  await fill("Carrier", "200");
  await fill("The tank takes", "20");
  await fill("Rate, as the label writes it", "2");
  const choose = (name: string, n: number) =>
    page.getByLabel("Label, as this district typed it in").nth(n).selectOption({ label: name });
  await choose("Sample label A (invented)", 0);
  await fill("Rate, as the label writes it", "50", 1);
  await choose("Sample label B for stumps (invented)", 1);
  await expect(page.getByText("Do not mix this.")).toBeVisible();
  await expect(
    page.getByRole("listitem").filter({ hasText: /Sample label B .*per hectare: 50 is more than \d/ }),
  ).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: /Sample label A .*is more than/ })).toHaveCount(0);
});
