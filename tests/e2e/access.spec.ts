import { expect, type Page, test } from "@playwright/test";
import { stateFile } from "./people";
import { serious } from "./scan";

test.use({ storageState: stateFile("keeper") });

const SCREENS = [
  "/today",
  "/ground",
  "/bench",
  "/season",
  "/season?view=planned",
  "/season/calendar",
  "/season/week?who=all",
  "/season/methods",
  "/season/methods/mow",
  "/mix",
  "/drill",
  "/drill/teach",
  "/ledger",
  "/ledger/labels",
  "/flora",
  "/flora/heracleum-maximum",
  "/flora/sets/umbels",
  "/twins?t=heracleum-mantegazzianum&t=heracleum-maximum&stage=flowering",
  "/people",
  "/account",
  "/outbox",
  "/second-look",
  "/costs",
  "/people/changes",
  "/settings",
];
/** The screens of the field: scanned in every theme, and in full on the phone, where they show parts that the desk does not have. */
const FIELD = ["/today", "/bench"];
for (const path of SCREENS) {
  test(`no serious finding on ${path}, and every control large enough`, async ({ page }, { project }) => {
    await page.goto(path);
    if (path === "/bench") await expect(page.locator("#question")).toBeVisible();
    await page.waitForTimeout(300);
    const field = FIELD.includes(path);
    // The same document, scanned on the desk already; on the phone its sizes are new.
    if (field || project.name === "desk") expect(await serious(page, "all")).toEqual([]);
    expect(await tooLow(page, leastPx(project.name))).toEqual([]);
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(width, "nothing is wider than the screen").toBeLessThanOrEqual(page.viewportSize()?.width ?? 0);
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

test("no serious finding on a finding, a patch, its methods, a plan, a record and an entry, and every control large enough", async ({
  page,
}, { project }) => {
  const hrefs = (selector: string) =>
    page.locator(selector).evaluateAll((links) => links.map((link) => link.getAttribute("href") ?? ""));
  await page.goto("/ledger");
  const [entry] = await hrefs("tbody a");
  await page.goto("/season?view=planned");
  const [plan] = await hrefs("tbody a[href^='/season/plan/']");
  const record = plan?.replace("/season/plan/", "/ledger/new?plan=");
  await page.goto("/ground");
  const [patch] = await hrefs("section:has(h2:has-text('Patches')) a");
  await page.goto(patch ?? "");
  const [finding] = await hrefs("ol a[href^='/findings']");
  await page.goto(plan ?? "");
  const methods = (await hrefs("a[href^='/findings/']"))[0]?.replace("/findings/", "/season/");
  const phone = project.name === "phone";
  for (const path of [entry, record, plan, patch, finding, methods]) {
    await page.goto(path ?? "no such page");
    await page.waitForTimeout(250);
    expect(await serious(page, phone ? "structure" : "all"), path).toEqual([]);
    expect(await tooLow(page, leastPx(project.name)), path).toEqual([]);
    if (!phone) await otherThemes(page);
  }
});

test("sign-in has no serious finding", async ({ browser }, { project }) => {
  const context = await browser.newContext({ baseURL: process.env.SENTINEL_URL });
  const page = await context.newPage();
  await page.goto("/sign-in");
  expect(await serious(page)).toEqual([]);
  expect(await tooLow(page, leastPx(project.name))).toEqual([]);
});

/** Controls outside running text that are lower than so many pixels, of what is on the page now. */
const tooLow = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((px) => {
    const inSentence = (link: Element) => {
      const block = link.closest("p, li, td, dd, figcaption, span.small");
      return (
        getComputedStyle(link).display === "inline" && block && block.textContent?.trim() !== link.textContent?.trim()
      );
    };
    /** What a thumb can hit: the label too, where a box or a dot stands in one. */
    const target = (control: Element) =>
      (control.matches("[type=checkbox], [type=radio]") && control.closest("label")) || control;
    return [
      ...document.querySelectorAll(
        "a[href], button, input:not([type=hidden]), select, textarea, summary, [role=radio]",
      ),
    ]
      .filter((c) => c.checkVisibility({ visibilityProperty: true, opacityProperty: true }))
      .filter((c) => !c.closest(".sr-only, nextjs-portal") && !c.classList.contains("skip") && !inSentence(c))
      .map((c) => ({
        name: c.textContent?.trim() || c.getAttribute("aria-label") || c.tagName,
        box: target(c).getBoundingClientRect(),
      }))
      .filter(({ box }) => box.width > 1 && box.height > 1 && box.height < px - 0.5)
      .map(({ name, box }) => `${name.slice(0, 40)}: ${Math.round(box.height)} px`);
  }, least);

/** A thumb needs 44 px, the point of a mouse 24. */
const leastPx = (project: string): number => (project === "phone" ? 44 : 24);

test("every control outside running text is large enough, on the other screens", async ({ page }, { project }) => {
  for (const path of [
    "/flora/list",
    "/flora/packs",
    "/flora/sets/umbels",
    "/flora/heracleum-maximum/amend",
    "/twins?t=heracleum-mantegazzianum&t=heracleum-maximum",
    "/ledger/new",
    "/field",
  ]) {
    await page.goto(path);
    await page.waitForTimeout(300);
    expect(await tooLow(page, leastPx(project.name)), path).toEqual([]);
  }
});
