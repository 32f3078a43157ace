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

/** Ids of the plans that are the signed-in person's own work, whose title matches; a list of everyone's begins with anyone's. */
export async function ownPlans(page: Page, title = /./): Promise<string[]> {
  const { work } = (await (await page.request.get("/api/v1/field-pack")).json()) as {
    work: { planId: string; title: string }[];
  };
  const plans = work.filter((plan) => title.test(plan.title)).map(({ planId }) => planId);
  expect(plans.length).toBeGreaterThan(0);
  return plans;
}
