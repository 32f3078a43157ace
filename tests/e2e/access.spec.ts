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

const THUMB_PX = 44;
const MOUSE_PX = 24;
test("every control outside running text is large enough, on every screen", async ({ page }, { project }) => {
  const screens = [...SCREENS, "/flora/list", "/flora/packs", "/flora/sets/umbels", "/ledger/new", "/field"];
  const looked = [
    ...screens,
    "/twins?t=heracleum-mantegazzianum&t=heracleum-maximum",
    "/flora/heracleum-maximum/amend",
  ];
  for (const path of looked) {
    await page.goto(path);
    if (path === "/bench") await expect(page.locator("#question")).toBeVisible();
    await page.waitForTimeout(400);
    expect(await tooLow(page, project.name === "phone" ? THUMB_PX : MOUSE_PX), path).toEqual([]);
  }
});
