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

test("where the plant stands is said once, is offered again for the next plant, and can be left unsaid", async ({
  page,
  isMobile,
}) => {
  await openBench(page, "Fern Wood");
  await page.getByRole("button", { name: /In leaf/ }).click();
  const place = page.locator("[data-place]");
  await place.getByRole("button", { name: /^(4)?Edge/ }).click();
  await place.getByRole("button", { name: /Half shade/ }).click();
  await place.getByRole("button", { name: /Go on/ }).click();
  const seen = page.getByRole("region", { name: "What you have seen" });
  await expect(seen.getByText("Kind of ground: edge")).toBeVisible();
  await expect(seen.getByText("Light: half shade")).toBeVisible();
  await expect(page.locator("[data-character=plant-kind]")).toBeVisible();
  await page.keyboard.press("u");
  await expect(place.getByRole("button", { name: /Half shade/ })).toHaveAttribute("aria-pressed", "true");
  await place.getByRole("button", { name: /Moist/ }).click();
  await expect(page.locator("[data-character=plant-kind]")).toBeVisible();
  if (isMobile) await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Save the finding" }).click();
  await expect(page).toHaveURL(/findings/);
  await page.goto("/bench");
  await page.getByRole("button", { name: /In leaf/ }).click();
  await expect(place.getByRole("button", { name: /^(4)?Edge/ })).toHaveAttribute("aria-pressed", "true");
  await place.getByRole("button", { name: /The same place/ }).click();
  await expect(seen.getByText("Wetness of the ground: moist")).toBeVisible();
});

test("any part can be found and answered out of turn, and can't tell and not there yet say nothing", async ({
  page,
  isMobile,
}) => {
  await openBench(page);
  await inLeaf(page);
  if (isMobile) await page.getByRole("button", { name: "Any part…" }).click();
  await page.getByPlaceholder(/Find a character/).fill("sap");
  await page.getByRole("button", { name: /^Sap/ }).click();
  await expect(page.getByRole("heading", { name: /Snap a leaf stalk/ })).toBeVisible();
  const before = await page.locator("#sheet .tape .reason").first().textContent();
  await page.getByRole("button", { name: /Can’t tell/ }).click();
  await expect(page.getByText("Sap: can't tell")).toBeVisible();
  await expect(page.locator("#sheet .tape .reason").first()).toHaveText(before as string);
});
