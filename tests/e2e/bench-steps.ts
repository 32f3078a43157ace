import { expect, type Page } from "@playwright/test";

export type Truth = Record<string, string | number>;
export const HOGWEED: Truth = {
  "plant-kind": "herb",
  "stem-marks": "blotched",
  "stem-hair": "bristly",
  "leaf-lobes": "deep",
  "leaf-edge": "coarse",
  "stalk-foot": "bladder",
  "stem-hollow": "hollow",
  "stem-ridges": "ridged",
  "leaf-tip": "drawn-out",
  "root-kind": "taproot",
  "leaf-kind": "simple",
  ground: "riverbank",
  "leaf-hair-above": "none",
  "leaf-hair-below": "veins",
  clump: "single",
  "leaf-length": 110,
  "leaf-shape": "egg",
  "vein-run": "tips",
  "dead-stems": "ribbed",
  "low-leaves": "upright-rosette",
  "stem-section": "round",
  sap: "clear",
  stipules: "none",
  arms: "none",
  light: "half",
  wetness: "moist",
  "leaf-order": "alternate",
  "stem-bloom": "none",
  "under-tone": "paler",
  "leaf-base": "heart",
  joints: "plain",
};
/** The same plant before the deciding check: nothing was said of the stem's marks. What tells it apart from its unscored twin is told, since what could not be told is not asked again. */
export const UNDECIDED: Truth = Object.fromEntries(
  Object.entries(HOGWEED).filter(([c]) => !["stem-marks", "leaf-length", "leaf-tip"].includes(c)),
);

/** Poison hemlock in flower. */
export const HEMLOCK: Truth = {
  "plant-kind": "herb",
  "flower-kind": "umbel",
  cluster: "umbrella",
  "leaf-kind": "ferny",
  "leaf-lobes": "deep",
  "leaf-shape": "egg",
  bracts: "few",
  bractlets: "one-side",
  height: 190,
  "last-parts": "blunt",
  "stem-marks": "blotched",
  "stem-hair": "none",
  "leaf-hair-below": "none",
  "flower-colour": "white",
  smell: "mousy",
  "umbel-width": 5.5,
  "flower-width": 3,
  "stem-firm": "firm",
  "stem-hollow": "hollow",
  "leaf-hair-above": "none",
  "root-kind": "taproot",
};
/** Houndstongue in leaf, which one check alone parts then from a wild comfrey that the flora does not include. */
export const HOUNDSTONGUE: Truth = {
  "plant-kind": "herb",
  "leaf-shape": "lance",
  "leaf-edge": "smooth",
  "stalk-ratio": 0.55,
  "stem-leaf-foot": "stalkless",
  "leaf-lobes": "none",
  "leaf-hair-above": "soft",
  "leaf-hair-below": "soft",
  "dead-stems": "woody",
  smell: "mousy",
  "hair-posture": "standing",
  "leaf-order": "basal",
  clump: "single",
  "leaf-length": 18,
  "leaf-ratio": 4.8,
  "leaf-base": "wedge",
  "leaf-kind": "simple",
  tone: "blue-grey",
  "vein-run": "loops",
  stipules: "none",
  sap: "clear",
  "root-kind": "taproot",
};

const visible = (page: Page, text: string) => page.locator(`label:has-text("${text}") >> visible=true`).first();

export async function openBench(page: Page, site = "Otter Reach, river wood", day = "2026-06-09"): Promise<void> {
  await page.goto("/bench");
  await expect(page.locator("#question")).toBeVisible();
  const fold = page.locator("summary >> visible=true").filter({ hasText: "stage not said" });
  const phone = (await fold.count()) > 0;
  if (phone) await fold.click();
  await visible(page, "Place").locator("select").selectOption({ label: site });
  await visible(page, "Day").locator("input").fill(day);
  if (phone) await page.locator("summary >> visible=true").first().click();
}

export const tape = (page: Page) => page.locator("#sheet .tape").first();

/** Says that the plant is in leaf, and leaves the place as the site knows it. */
export async function inLeaf(page: Page): Promise<void> {
  await page.getByRole("button", { name: /In leaf/ }).click();
  await expect(page.locator("[data-character]")).toBeVisible();
}

/** Answers what is asked from the truth, until the tape says one of the words or so many questions were asked. */
export async function answer(page: Page, truth: Truth, until: RegExp, most = 25): Promise<void> {
  for (let i = 0; i < most; i++) {
    if (until.test((await tape(page).locator(".word").textContent()) ?? "")) return;
    const question = page.locator("[data-character]");
    await expect(question).toBeVisible();
    const character = (await question.getAttribute("data-character")) as string;
    const asked = `[data-character="${character}"]${(await question.getAttribute("data-second")) ? "[data-second]" : ":not([data-second])"}`;
    const value = truth[character];
    if (typeof value === "number") {
      await question.getByRole("textbox").fill(String(value));
      await question.getByRole("button", { name: "That is it" }).click();
    } else if (value && (await question.locator(`[data-state="${value}"]`).count()) > 0)
      await question.locator(`[data-state="${value}"]`).click();
    else await question.getByRole("button", { name: /tell/ }).click();
    await expect(page.locator(asked)).toHaveCount(0);
    await page.waitForTimeout(120);
  }
}
