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

test("the tailgate card prints on one page of A5", async ({ page }) => {
  await page.goto("/mix");
  await expect(page.locator("[data-ready=yes]")).toBeVisible();
  await page.getByRole("radio", { name: "Tank" }).click();
  const typed: [string, string][] = [
    ["Area to be sprayed", "1"],
    ["Carrier", "20"],
    ["The tank takes", "15"],
    ["Rate, as the label writes it", "32"],
  ];
  for (const [label, text] of typed) await page.getByLabel(label).first().fill(text);
  await expect(page.getByText(/US gal in all, 2 loads/)).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pagesOf(pdf)).toBe(1);
  expect(/MediaBox\s*\[([^\]]*)\]/.exec(pdf.toString("latin1"))?.[1]).toMatch(/^\s*0 0 (419|420)/);
});
