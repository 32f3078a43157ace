import { expect, test } from "@playwright/test";
import { answer, HOGWEED, inLeaf, openBench, tape } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

test("the verdict stays in sight however far one scrolls", async ({ page }) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 4);
  await page.mouse.wheel(0, 2500);
  await expect(tape(page)).toBeInViewport();
});

test("any part can be found and answered out of turn, and can't tell and not there yet say nothing", async ({ page, isMobile }) => {
  await openBench(page);
  await inLeaf(page);
  if (isMobile) await page.getByRole("button", { name: "Any part…" }).click();
  await page.getByPlaceholder(/Find a part/).fill("sap");
  await page.getByRole("button", { name: /^Sap/ }).click();
  await expect(page.getByRole("heading", { name: /Snap a leaf stalk/ })).toBeVisible();
  const before = await page.locator("#sheet .tape .reason").first().textContent();
  await page.getByRole("button", { name: /Can’t tell/ }).click();
  await expect(page.getByText("Sap: can't tell")).toBeVisible();
  await expect(page.locator("#sheet .tape .reason").first()).toHaveText(before as string);
});
