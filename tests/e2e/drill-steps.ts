import { expect, type Page } from "@playwright/test";

/** Opens practice and waits until questions can be asked. */
export async function openDrill(page: Page): Promise<void> {
  await page.goto("/drill");
  await expect(page.getByRole("heading", { level: 1, name: "Drill" })).toBeVisible();
}

/** Begins a sheet of one kind of question, or of every kind. */
export async function beginSheet(page: Page, kind = ""): Promise<void> {
  const begin = page.getByRole("region", { name: /A sheet of/ });
  await begin.getByLabel("Questions").selectOption(kind);
  await begin.getByRole("button", { name: "Begin" }).click();
  await expect(page.locator("#question")).toBeVisible();
}

/** Answers the question that stands there, whatever its form; a measured leaf by moving a point with the arrows. */
export async function answerOne(page: Page, nth = 1): Promise<void> {
  const form = await page.locator("[data-form]").getAttribute("data-form");
  if (form === "quadrat") {
    await page.getByLabel(/^Cover of the green plants/).fill("20");
    await page.getByLabel(/^How many green plants/).fill("12");
    await page.getByRole("button", { name: "Answer", exact: true }).click();
  } else if (form === "measure") {
    await page
      .getByRole("button", { name: /, (foot of the stalk|one arm|point 1)$/ })
      .first()
      .focus();
    await page.keyboard.press("ArrowLeft");
    await page.getByRole("button", { name: /^Answer/ }).click();
  } else await page.locator(`[data-answer="${nth}"]`).click();
  await expect(page.locator("[data-after]")).toBeVisible();
}
