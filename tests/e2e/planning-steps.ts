import { expect, type Page } from "@playwright/test";

/** The page of what can be done on a patch whose plant is clear to act, of one of these names, where the page says so much. */
export async function planningOn(page: Page, plants: RegExp, says = /^Plan this$/): Promise<void> {
  await page.goto("/ground");
  const links = page.locator("section:has(h2:has-text('Patches')) li").filter({ hasText: plants }).locator("a");
  const hrefs = await links.evaluateAll((all) => all.map((link) => link.getAttribute("href") ?? ""));
  for (const href of hrefs) {
    await page.goto(href);
    const link = page.getByRole("link", { name: "What can be done" });
    if ((await link.count()) === 0) continue;
    await link.click();
    await expect(page.getByRole("heading", { name: /What can be done/ })).toBeVisible();
    if ((await page.getByText(says).count()) > 0) return;
  }
  throw new Error(`no page of a patch of ${plants} says ${says}`);
}

/** Says how much stands on the patch whose methods are open, so that no stand is too large for what is asked. */
export async function saySmallStand(page: Page): Promise<void> {
  await page.getByText(/Say how much stands here|Measure it again/).click();
  const size = page.getByRole("form", { name: "How much stands here" });
  await size.getByLabel("Number of stems").fill("25");
  await size.getByLabel(/Thickest stem/).fill("1");
  await size.getByLabel(/Area that they cover/).fill("20");
  await size.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/^How much stands here: 25 stems/)).toBeVisible();
}

/** Shows what would suit on another day, or with the plant in another stage. */
export async function showOther(page: Page, { day, stage }: { day?: string; stage?: string }): Promise<void> {
  await page.getByText("Show another day or stage").click();
  const form = page.getByRole("form", { name: "Another day or stage" });
  if (day) await form.getByRole("textbox", { name: /Day/ }).fill(day);
  if (stage) await form.getByLabel("The plant then is").selectOption({ label: stage });
  await form.getByRole("button", { name: "Show it" }).click();
  await expect(page.getByText(/^This is what would suit on/)).toBeVisible();
}

/** The next day of the year that is still to come, by the clock of the valley, as the screens write it: "20 May 2027". */
export function nextDay(day: number, month: number): string {
  const now = new Date(Date.now() - 8 * 3600e3);
  const passed = now.getUTCMonth() + 1 > month || (now.getUTCMonth() + 1 === month && now.getUTCDate() > day);
  return new Date(Date.UTC(now.getUTCFullYear() + (passed ? 1 : 0), month - 1, day)).toLocaleDateString("en-GB", {
    ...{ day: "numeric", month: "long", year: "numeric", timeZone: "UTC" },
  });
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
