import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"];

/**
 * Serious and critical findings of the accessibility scan on the page as it stands; the map's canvas is left out.
 * The pages hold no frame of another origin, so that the scan may run and be read in the page itself, which takes a third of the time.
 */
export async function serious(page: Page): Promise<string[]> {
  const scan = new AxeBuilder({ page }).exclude(".maplibregl-map").options({ runOnly: RULES, resultTypes: ["violations"], preload: false }).setLegacyMode();
  const { violations } = await scan.analyze();
  return violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => `${v.id}: ${v.nodes.slice(0, 3).map((n) => n.target.join(" ")).join(" | ")}`);
}
