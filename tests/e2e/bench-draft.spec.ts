import { expect, type Page, test } from "@playwright/test";
import { answer, HOGWEED, inLeaf, openBench, tape } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });
const takenBack = (page: Page) => page.locator("ol > li:has(button[aria-label^='Take back'])");

test("a draft survives a reload and a dead tab, and an answer can be taken back", async ({ page, context }) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 3);
  const rows = takenBack(page);
  await expect(rows).toHaveCount(3);
  await page.reload();
  await expect(rows).toHaveCount(3);
  await page.close();
  const again = await context.newPage();
  await again.goto("/bench");
  const after = takenBack(again);
  await expect(after).toHaveCount(3);
  await expect(again.locator("[data-character]")).toBeVisible();
  await again
    .getByRole("button", { name: /^Take back/ })
    .first()
    .click();
  await expect(after).toHaveCount(2);
  // Undo takes back the last step: first that an answer was taken back, then the last answer.
  await again.keyboard.press("u");
  await expect(after).toHaveCount(3);
  await again.keyboard.press("u");
  await expect(after).toHaveCount(2);
});

test("a store of the device that answers late loses no draft", async ({ page, context }) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 2);
  await expect(takenBack(page)).toHaveCount(2);
  await page.close();
  const impatient = await context.newPage();
  // Patience ends before the store can have answered, as on a phone that is short of breath.
  await impatient.addInitScript(() => {
    const wait = window.setTimeout;
    window.setTimeout = ((act: () => void, ms?: number) =>
      wait(act, ms === 10_000 ? 0 : ms)) as typeof window.setTimeout;
  });
  await impatient.goto("/bench");
  await expect(takenBack(impatient)).toHaveCount(2);
});

test("a finding saved in the moment after an answer is taken back carries the verdict of what is left", async ({
  page,
}) => {
  // An engine that answers late, as on an old phone: what stands on the tape is then of the answers before.
  await page.addInitScript(() => {
    const listen = Worker.prototype.addEventListener;
    Worker.prototype.addEventListener = function (kind: string, heard: unknown, options?: unknown) {
      const late = (event: Event) => setTimeout(() => (heard as (e: Event) => void)(event), 500);
      return Reflect.apply(listen, this, [kind, kind === "message" ? late : heard, options]);
    };
  });
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /clear/i);
  await expect(tape(page).locator(".word")).toHaveText(/clear/i);
  await page.keyboard.press("u");
  await page.getByRole("button", { name: "Save the finding" }).click();
  await expect(page).toHaveURL(/findings/);
});
