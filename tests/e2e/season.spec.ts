import { expect, type Page, test } from "@playwright/test";
import { pageOf } from "./people";
import { planningOn } from "./planning-steps";

/** Desk and phone go at once, each on plants of its own. */
const plantsFor = (viewport: { width: number } | null) =>
  (viewport?.width ?? 0) < 500 ? /ragwort|chervil/i : /broom/i;

/** Plans the first method that may be planned. @returns the address of the plan */
async function planFirst(page: Page, who: string): Promise<string> {
  const method = page
    .getByRole("listitem")
    .filter({ has: page.getByText("Plan this", { exact: true }) })
    .first();
  await method.getByText("Plan this", { exact: true }).click();
  await method.getByLabel("Person responsible").selectOption({ label: who });
  await method.getByLabel(/Nothing is sown, because/).check();
  await method.getByLabel("Why nothing is sown").fill("The meadow closes by itself.");
  await method.getByRole("button", { name: "Add it to the season" }).click();
  await expect(page).toHaveURL(/\/season\/plan\//);
  return page.url();
}

test("a plan is moved, the calendar under the secret address follows, and a drop cancels it there", async ({
  browser,
  viewport,
  request,
}) => {
  // One person has one address: desk and phone go at once, each as another person.
  const phone = (viewport?.width ?? 0) < 500;
  const page = await pageOf(browser, phone ? "keeper" : "specialist", viewport);
  await planningOn(page, plantsFor(viewport));
  const address = await planFirst(page, phone ? "Odile Marsh" : "Bram Okonedo");
  await page.goto("/account");
  await page.getByRole("button", { name: /Give me a/ }).click();
  const said = await page.getByText(/\/api\/calendar\//).textContent();
  const feed = said?.match(/https?:\S+\/api\/calendar\/[\w-]+/)?.[0] as string;
  const id = address.split("/").at(-1) as string;
  const event = async () =>
    (await (await request.get(feed)).text()).split("BEGIN:VEVENT").find((text) => text.includes(id)) ?? "";
  expect(await event()).toContain("SEQUENCE:1");
  await page.goto(address);
  await page.getByText("Move it, hand it over, or divide it").click();
  const change = page.getByRole("form", { name: "Change the plan" });
  await change.getByLabel("Day", { exact: false }).first().fill("1 June 2019");
  await change.getByRole("button", { name: "Save the change" }).click();
  await expect(change.getByText(/choose a day from/)).toBeVisible();
  const [, until] = (await change.getByText(/choose a day from/).textContent())?.match(/from .* to (.*)/) ?? [];
  await change
    .locator("input[name=intendedOn]")
    .first()
    .fill(until as string);
  await change.getByRole("button", { name: "Save the change" }).click();
  await expect(page.getByText(new RegExp(`Moved from .* to ${until}`))).toBeVisible();
  expect(await event()).toContain("SEQUENCE:2");
  await page.getByText("Drop this plan …").click();
  const drop = page.getByRole("form", { name: "Drop the plan" });
  await drop.getByLabel("Why it is not done").fill("The river is too high this year.");
  await drop.getByRole("button", { name: "Drop it" }).click();
  await expect(page.getByText("Dropped: “The river is too high this year.”")).toBeVisible();
  expect(await event()).toContain("STATUS:CANCELLED");
  expect((await request.get(`${feed}x`)).status()).toBe(404);
  await page.context().close();
});

test("two people plan one patch: the second hears of the first before anything is saved", async ({
  browser,
  viewport,
}) => {
  const first = await pageOf(browser, "specialist", viewport);
  const second = await pageOf(browser, "keeper", viewport);
  await planningOn(first, plantsFor(viewport));
  await second.goto(first.url());
  const other = second
    .getByRole("listitem")
    .filter({ has: second.getByText("Plan this", { exact: true }) })
    .nth(1);
  await other.getByText("Plan this", { exact: true }).click();
  await planFirst(first, "Tansy Quillfeather");
  await other.getByLabel("Person responsible").selectOption({ label: "Tansy Quillfeather" });
  await other.getByLabel(/Nothing is sown, because/).check();
  await other.getByLabel("Why nothing is sown").fill("The meadow closes by itself.");
  await other.getByRole("button", { name: "Add it to the season" }).click();
  await expect(other.getByText(/Bram Okonedo has planned .* Nothing was saved/)).toBeVisible();
  await second.reload();
  await expect(second.getByText("Already planned on this patch:")).toBeVisible();
  // What was planned for the test is dropped, so that the patch may be planned on again.
  await first.getByText("Drop this plan …").click();
  await first.getByLabel("Why it is not done").fill("It was planned to see who hears of it.");
  await first.getByRole("button", { name: "Drop it" }).click();
  await expect(first.getByText(/Dropped: “It was planned/)).toBeVisible();
  for (const page of [first, second]) await page.context().close();
});

test("an applicator sees what may be done and records what is theirs, and cannot plan", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "applicator", viewport);
  await page.goto("/season?view=planned");
  const plans = await page
    .locator("tbody a[href^='/season/plan/']")
    .evaluateAll((all) => all.map((a) => a.getAttribute("href") ?? ""));
  await page.goto(plans[0]);
  for (const words of ["Move it, hand it over, or divide it", "Drop this plan …"])
    await expect(page.getByText(words)).toHaveCount(0);
  const finding = await page.locator("a[href^='/findings/']").first().getAttribute("href");
  await page.goto(finding?.replace("/findings/", "/season/") as string);
  await expect(page.getByRole("heading", { name: "Never here" })).toBeVisible();
  await expect(page.getByText("Plan this", { exact: true })).toHaveCount(0);
  await page.goto("/season");
  await expect(page.getByRole("heading", { name: /^Yours/ })).toBeVisible();
  await page.context().close();
});

test("the calendar is walked by keyboard alone, and opens a plan", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/season/calendar");
  const first = page.locator("a.band-row").first();
  const before = page.locator("nav[aria-label='Groups of the calendar'] a").last();
  await before.focus();
  for (let i = 0; i < 6 && !(await first.evaluate((el) => el === document.activeElement)); i++)
    await page.keyboard.press("Tab");
  await expect(first).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/season\/plan\//);
  await page.context().close();
});

test("a district amends a method, and its page says where it departs", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/season/methods/girdle");
  await page.getByText("Amend it for this district …").click();
  const form = page.getByRole("form", { name: "The district’s own word" });
  const body = form.getByLabel("The method, in the form of its file");
  const text = await body.inputValue();
  await body.fill(text.replace("months: 1-12", "moon: full"));
  await form.getByLabel("Why this district does it so").fill("We girdle in summer alone.");
  await form.getByRole("button", { name: "Save the district’s word" }).click();
  await expect(form.getByText(/line \d+: .*moon/).first()).toBeVisible();
  await body.fill(text.replace("months: 1-12", "months: 6-8"));
  await form.getByRole("button", { name: "Save the district’s word" }).click();
  await expect(page.getByText("Months: June to August")).toBeVisible();
  await page.getByText("Take the district’s word back …").click();
  const back = page.getByRole("form", { name: "Take it back" });
  await back.getByLabel("Why").fill("We girdle all year again.");
  await back.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText("Months: June to August")).toHaveCount(0);
  await page.context().close();
});
