import { expect, type Page } from "@playwright/test";

/** The page of what can be done on a patch whose plant is clear to act, of one of these names. */
export async function planningOn(page: Page, plants: RegExp): Promise<void> {
  await page.goto("/ground");
  const links = page.locator("section:has(h2:has-text('Patches')) li").filter({ hasText: plants }).locator("a");
  const hrefs = await links.evaluateAll((all) => all.map((link) => link.getAttribute("href") ?? ""));
  for (const href of hrefs) {
    await page.goto(href);
    const link = page.getByRole("link", { name: "What can be done" });
    if ((await link.count()) === 0) continue;
    await link.click();
    await expect(page.getByRole("heading", { name: /What can be done/ })).toBeVisible();
    if ((await page.getByText("Plan this", { exact: true }).count()) > 0) return;
  }
  throw new Error(`no patch of ${plants} may be planned on`);
}
