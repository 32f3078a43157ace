import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const ALL = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"];
/** Contrast takes most of a scan's time. */
const CONTRAST = ["color-contrast"];
/** The rows of a long list are all of one make: the first two dozen stand for them. */
const REPEATED = ":is(li, tr, option):nth-child(n + 25)";

/**
 * Serious and critical findings of the accessibility scan on the page as it stands; the map's canvas is left out.
 * What depends on the theme is contrast alone, and contrast does not depend on the width of the screen:
 * `contrast` scans for it alone, `structure` for all else.
 * The pages hold no frame of another origin, so that the scan may run and be read in the page itself, which takes a third of the time.
 */
export async function serious(page: Page, look: "all" | "contrast" | "structure" = "all"): Promise<string[]> {
  const run =
    look === "contrast"
      ? { runOnly: { type: "rule" as const, values: CONTRAST } }
      : { runOnly: ALL, rules: Object.fromEntries(CONTRAST.map((rule) => [rule, { enabled: look === "all" }])) };
  const scan = new AxeBuilder({ page })
    .exclude(".maplibregl-map")
    .exclude(REPEATED)
    .options({ ...run, resultTypes: ["violations"], preload: false })
    .setLegacyMode();
  const { violations } = await scan.analyze();
  return violations
    .filter((v) => v.impact === "serious" || v.impact === "critical")
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => n.target.join(" "))
          .join(" | ")}`,
    );
}
