import type { Browser, Page } from "@playwright/test";

export type Who = "scout" | "specialist" | "applicator" | "keeper" | "visitor";
export const stateFile = (who: Who) => `test-results/state-${who}.json`;

/** A page signed in as one of the demonstration's people, of the same size as the test's own. */
export async function pageOf(
  browser: Browser,
  who: Who,
  size: { width: number; height: number } | null,
): Promise<Page> {
  const context = await browser.newContext({
    storageState: stateFile(who),
    viewport: size,
    baseURL: process.env.SENTINEL_URL,
  });
  return context.newPage();
}
