import { expect, test } from "@playwright/test";
import { stateFile } from "./people";
import { serious } from "./scan";

test.use({ storageState: stateFile("keeper") });

const SCREENS = ["/today", "/ground", "/bench", "/season", "/ledger", "/ledger/labels", "/flora", "/flora/heracleum-maximum", "/people", "/account"];
/** These show parts on the phone that the desk does not have. */
const OWN_ON_PHONE = ["/today", "/bench"];
for (const path of SCREENS) {
  test(`no serious finding on ${path}`, async ({ page }, { project }) => {
    await page.goto(path);
    if (path === "/bench") await expect(page.locator("#question")).toBeVisible();
    await page.waitForTimeout(300);
    expect(await serious(page, project.name === "phone" && !OWN_ON_PHONE.includes(path) ? "structure" : "all")).toEqual([]);
  });
}

test("no serious finding on a finding, a patch, its methods, a record and an entry, in all themes", async ({ page }, { project }) => {
  await page.goto("/ledger");
  const entry = await page.locator("tbody a").first().getAttribute("href");
  await page.goto("/season");
  const record = await page.getByRole("link", { name: "Record it" }).first().getAttribute("href");
  await page.goto("/ground");
  const patch = await page.locator("section:has(h2:has-text('Patches')) a").first().getAttribute("href");
  await page.goto(patch as string);
  const finding = await page.locator("ol a[href^='/findings']").first().getAttribute("href");
  const phone = project.name === "phone";
  for (const theme of phone ? ["normal"] : ["normal", "sun", "dark"]) {
    await page.context().addCookies([{ name: "sentinel.theme", value: theme, url: process.env.SENTINEL_URL as string }]);
    for (const path of [entry, record, patch, finding, "/bench", "/today"]) {
      await page.goto(path as string);
      await page.waitForTimeout(250);
      expect(await serious(page, phone ? "structure" : theme === "normal" ? "all" : "contrast"), `${path} in ${theme}`).toEqual([]);
    }
  }
});

test("sign-in has no serious finding", async ({ browser }) => {
  const context = await browser.newContext({ baseURL: process.env.SENTINEL_URL });
  const page = await context.newPage();
  await page.goto("/sign-in");
  expect(await serious(page)).toEqual([]);
});

test("touch targets of the Bench are at least 44 px", async ({ page }) => {
  await page.goto("/bench");
  await expect(page.locator("#question")).toBeVisible();
  const small = await page.locator("main button:visible").evaluateAll((buttons) => buttons.filter((b) => b.getBoundingClientRect().height < 43.5 || b.getBoundingClientRect().width < 43.5).map((b) => b.textContent));
  expect(small).toEqual([]);
});
