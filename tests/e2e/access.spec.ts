import { expect, type Page, test } from "@playwright/test";
import { stateFile } from "./people";
import { serious } from "./scan";

test.use({ storageState: stateFile("keeper") });

const SCREENS = [
  "/today",
  "/ground",
  "/bench",
  "/season",
  "/ledger",
  "/ledger/labels",
  "/flora",
  "/flora/heracleum-maximum",
  "/people",
  "/account",
  "/outbox",
  "/second-look",
  "/costs",
  "/people/changes",
];
/** The screens of the field: scanned in every theme, and in full on the phone, where they show parts that the desk does not have. */
const FIELD = ["/today", "/bench"];
for (const path of SCREENS) {
  test(`no serious finding on ${path}`, async ({ page }, { project }) => {
    await page.goto(path);
    if (path === "/bench") await expect(page.locator("#question")).toBeVisible();
    await page.waitForTimeout(300);
    const field = FIELD.includes(path);
    expect(await serious(page, project.name === "phone" && !field ? "structure" : "all")).toEqual([]);
    if (field && project.name === "desk") await otherThemes(page);
  });
}

/** Contrast in the themes for glaring sun and for the dark; as the switch does, without a new page. */
async function otherThemes(page: Page): Promise<void> {
  for (const theme of ["sun", "dark"]) {
    await page.evaluate((name) => {
      document.documentElement.dataset.theme = name;
    }, theme);
    await page.waitForTimeout(100);
    expect(await serious(page, "contrast"), theme).toEqual([]);
  }
}

test("no serious finding on a finding, a patch, its methods, a record and an entry, in all themes", async ({ page }, {
  project,
}) => {
  await page.goto("/ledger");
  const entry = await page.locator("tbody a").first().getAttribute("href");
  await page.goto("/season");
  const record = await page.getByRole("link", { name: "Record it" }).first().getAttribute("href");
  await page.goto("/ground");
  const patch = await page.locator("section:has(h2:has-text('Patches')) a").first().getAttribute("href");
  await page.goto(patch as string);
  const finding = await page.locator("ol a[href^='/findings']").first().getAttribute("href");
  const phone = project.name === "phone";
  for (const path of [entry, record, patch, finding]) {
    await page.goto(path as string);
    await page.waitForTimeout(250);
    expect(await serious(page, phone ? "structure" : "all"), path as string).toEqual([]);
    if (!phone) await otherThemes(page);
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
  const small = await page
    .locator("main button:visible")
    .evaluateAll((buttons) =>
      buttons
        .filter((b) => b.getBoundingClientRect().height < 43.5 || b.getBoundingClientRect().width < 43.5)
        .map((b) => b.textContent),
    );
  expect(small).toEqual([]);
});
