import { expect, test } from "@playwright/test";
import { stateFile } from "./people";

test.use({ storageState: stateFile("keeper") });

/** Leaves of a PDF's page tree: objects of type Page, not Pages. */
const pagesOf = (pdf: Buffer): number => (pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g) ?? []).length;

test("a treatment with a product prints on one page of A4", async ({ page }) => {
  await page.goto("/ledger");
  const entry = await page
    .locator("tbody tr", { hasText: "Spot treatment" })
    .first()
    .locator("a")
    .first()
    .getAttribute("href");
  await page.goto(entry as string);
  await expect(page.getByText("Product, as entered from its label")).toBeVisible();
  expect(pagesOf(await page.pdf({ format: "A4" }))).toBe(1);
});
