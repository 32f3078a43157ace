import { expect, type Page, test } from "@playwright/test";
import { inLeaf, openBench } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

type Point = [number, number];
interface Truth {
  widthPx: number;
  corners: Point[];
  stalkFoot: Point;
  bladeFoot: Point;
  tip: Point;
  stalkMm: number;
  bladeMm: number;
}

const sheet = (page: Page) => page.getByRole("dialog");
const picture = (page: Page) => sheet(page).getByRole("group", { name: /The picture/ });

/** Taps the picture where the drawn photograph has this point. */
async function tap(page: Page, truth: Truth, [x, y]: Point): Promise<void> {
  const box = await picture(page).boundingBox();
  if (!box) throw new Error("the picture is not to be seen");
  const scale = box.width / truth.widthPx;
  await picture(page).click({ position: { x: x * scale, y: y * scale }, force: true });
}

test("the fold test is measured on a picture, goes into its observation with its interval, and can be opened again", async ({
  page,
}) => {
  await openBench(page, "Fern Wood");
  await inLeaf(page);
  await page.getByPlaceholder(/Find a character/).fill("fold test");
  await page
    .getByRole("button", { name: /Fold test/ })
    .first()
    .click();
  await page.getByRole("button", { name: "A drawn picture for practice" }).click();
  await expect(picture(page)).toBeVisible();
  const seed = /drawn-(\d+)\.jpg/.exec(
    (await page.locator("[aria-label^='Remove drawn']").first().getAttribute("aria-label")) ?? "",
  )?.[1];
  const truth = (await (await page.request.get(`/api/v1/sample-photo?seed=${seed}&truth`)).json()) as Truth;

  await sheet(page)
    .getByLabel("Known object", { exact: true })
    .selectOption({ label: "a card of the size of a bank card, by its corners" });
  for (const corner of truth.corners) await tap(page, truth, corner);
  await expect(sheet(page).getByText("Calibrated.")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Stalk : blade" }).click();
  for (const point of [truth.stalkFoot, truth.bladeFoot, truth.tip]) await tap(page, truth, point);
  const reading = sheet(page).getByRole("listitem").filter({ hasText: "Stalk : blade" });
  await expect(reading).toContainText("± ");
  const value = Number(/([\d.]+) ±/.exec(await reading.innerText())?.[1]);
  expect(Math.abs(value / (truth.stalkMm / truth.bladeMm) - 1)).toBeLessThan(0.05);

  // A point is held and moved by a pixel, and the step is undone.
  await picture(page)
    .getByRole("button", { name: /tip of the blade/ })
    .focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press("Shift+ArrowDown");
  await expect(reading).not.toContainText(`${value} ±`);
  for (let i = 0; i < 6; i++) await page.keyboard.press("u");
  await expect(reading).toContainText(`${value} ±`);

  await sheet(page).getByRole("button", { name: "Use this reading" }).click();
  await expect(sheet(page)).toHaveCount(0);
  await expect(page.getByRole("listitem").filter({ hasText: /Fold test: [\d.]+ ± [\d.]+ × blade/ })).toBeVisible();
  await expect(page.getByRole("button", { name: "Measured: 1" })).toBeVisible();

  await page.getByRole("button", { name: "Save the finding" }).click();
  await expect(page).toHaveURL(/\/findings\//);
  await page.getByRole("button", { name: "Open its 1 measurements" }).click();
  await expect(sheet(page).getByRole("listitem").filter({ hasText: "Stalk : blade" })).toContainText("± ");
  await sheet(page).getByRole("button", { name: "Length" }).click();
  await tap(page, truth, truth.bladeFoot);
  await tap(page, truth, truth.tip);
  await expect(
    sheet(page)
      .getByRole("listitem")
      .filter({ hasText: /Length.*mm/ }),
  ).toBeVisible();

  // The card itself, 85.6 by 54 mm: along two of its sides, its face, its corners counted.
  const read = async (tool: string, points: Point[]) => {
    await sheet(page).getByRole("button", { name: tool, exact: true }).click();
    for (const point of points) await tap(page, truth, point);
    return Number(
      (
        (await sheet(page).getByRole("listitem").filter({ hasText: tool }).locator(".figure").textContent()) ?? ""
      ).replace(/ ±.*/, ""),
    );
  };
  expect(Math.abs((await read("Path", truth.corners.slice(0, 3))) / (85.6 + 54) - 1)).toBeLessThan(0.03);
  expect(Math.abs((await read("Area", truth.corners)) / (85.6 * 54) - 1)).toBeLessThan(0.03);
  expect(await read("Count", truth.corners)).toBe(4);
  for (const tool of ["Path", "Area", "Count"])
    await sheet(page)
      .getByRole("button", { name: `Remove ${tool}` })
      .click();
  await sheet(page).getByRole("button", { name: "Save the marks" }).click();
  await expect(page.getByRole("button", { name: "Open its 2 measurements" })).toBeVisible();
});
