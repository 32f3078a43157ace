import { expect, test } from "@playwright/test";
import { stateFile } from "./people";
import { serious } from "./scan";

test.use({ storageState: stateFile("keeper") });
const pagesOf = (pdf: Buffer): number => (pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g) ?? []).length;

test("a plant is found while typing, misspelt, by an old name, and an ambiguous name says so", async ({ page }) => {
  await page.goto("/flora");
  const finder = page.getByLabel(/Name, old name/);
  await finder.fill("gient hogwed");
  await expect(page.getByRole("link", { name: /Giant hogweed/ }).first()).toBeVisible();
  await finder.fill("Polygonum cuspidatum");
  await expect(page.getByText("also Polygonum cuspidatum").first()).toBeVisible();
  await finder.fill("bindweed");
  await expect(page.getByText(/plants carry the name “bindweed”/)).toBeVisible();
  await expect(page.getByText(/What parts them first/)).toBeVisible();
  await finder.fill("zzzzzz");
  await expect(page.getByText("No plant of this flora goes by a name like that.")).toBeVisible();
});

test("the flora is narrowed by status, form and hazard, and shows a small drawing of each plant", async ({ page }) => {
  await page.goto("/flora?status=target&form=tree");
  await expect(page.getByRole("link", { name: /Tree of heaven/ }).first()).toBeVisible();
  await expect(page.getByRole("link", { name: /Sugar maple/ })).toHaveCount(0);
  const picture = page.locator("img[src*='/api/v1/plates/']").first();
  await picture.scrollIntoViewIfNeeded();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
});

test("from a plant to its twins, and to the card that parts them", async ({ page }) => {
  await page.goto("/flora/brachypodium-sylvaticum?stage=vegetative");
  await expect(page.getByText("Collar", { exact: true }).first()).toBeVisible();
  await expect(page.getByRole("img", { name: "Collar" })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto("/twins?t=brachypodium-sylvaticum&t=bromus-vulgaris&stage=vegetative");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/False brome or Columbia brome/i);
  const rows = page.getByRole("table").locator("tbody tr");
  await expect(rows.first()).toContainText(/sheath/i);
  await expect(page.getByText(/The mistake:/)).toBeVisible();
  expect(await serious(page)).toEqual([]);
  expect(pagesOf(await page.pdf({ preferCSSPageSize: true }))).toBe(1);
});

test("two targets with one treatment need not be parted, and one plant alone is no pair", async ({ page }) => {
  await page.goto("/twins?t=reynoutria-japonica&t=reynoutria-sachalinensis");
  await expect(page.getByText("No need to part these here:")).toBeVisible();
  await page.goto("/twins?t=reynoutria-japonica");
  await expect(page.getByText("Choose two to four plants")).toBeVisible();
  await page.goto("/twins?t=reynoutria-japonica&t=not-a-plant");
  await expect(page.getByText("Choose two to four plants")).toBeVisible();
});

test("a plate comes as a picture, and an unknown plant has none", async ({ page }) => {
  const png = await page.request.get("/api/v1/plates/conium-maculatum?stage=vegetative&format=png");
  expect(png.headers()["content-type"]).toBe("image/png");
  expect((await png.body()).subarray(1, 4).toString()).toBe("PNG");
  expect((await page.request.get("/api/v1/plates/conium-maculatum?stage=spring")).status()).toBe(400);
  expect((await page.request.get("/api/v1/plates/planta-ignota")).status()).toBe(404);
  expect((await page.request.get(`/api/v1/names?q=${"x".repeat(90)}`)).status()).toBe(400);
});
