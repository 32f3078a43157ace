import { expect, test } from "@playwright/test";
import { tape } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

test("from Today to a saved finding with the keyboard alone", async ({ page }) => {
  await page.goto("/today");
  await page.keyboard.press("Shift+B");
  await expect(page).toHaveURL(/bench/);
  await expect(page.locator("#question")).toHaveText(/What stage is the plant at/);
  await page.keyboard.press("2");
  await expect(page.locator("[data-character=plant-kind]")).toBeVisible();
  await page.keyboard.press("2");
  await expect(page.locator("[data-character=plant-kind]")).toHaveCount(0);
  await page.keyboard.press("0");
  await expect(page.getByText("can't tell")).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("can't tell")).toHaveCount(0);
  await page.keyboard.press("/");
  await page.keyboard.type("sap");
  await page.keyboard.press("Enter");
  await expect(page.locator("[data-character=sap]")).toBeVisible();
  await page.locator("#question").click();
  await page.keyboard.press("1");
  await expect(page.getByText(/Sap: clear/)).toBeVisible();
  await expect(tape(page)).toBeVisible();
  const save = page.getByRole("button", { name: "Save the finding" });
  for (let i = 0; i < 90 && !(await save.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press("Tab");
  await expect(save).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/findings/);
});
