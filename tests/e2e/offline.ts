import { expect, type Page } from "@playwright/test";

/** How many rows a table of the device's own store has. */
export const rowsOf = (page: Page, table: string): Promise<number> =>
  page.evaluate(
    (name) =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open("sentinel-bench");
        opening.onsuccess = () => {
          const store = opening.result;
          if (!store.objectStoreNames.contains(name)) return resolve(0);
          const count = store.transaction(name).objectStore(name).count();
          count.onsuccess = () => resolve(count.result);
        };
        opening.onerror = () => resolve(0);
      }),
    table,
  );

/** Waits until the device holds all that it needs without a signal. */
export async function readyForField(page: Page): Promise<void> {
  await page.goto("/today");
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state))
    .toBe("activated");
  await expect.poll(() => rowsOf(page, "packs")).toBe(1);
}
