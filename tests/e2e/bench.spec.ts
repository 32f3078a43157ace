import { expect, test } from "@playwright/test";
import { answer, HOGWEED, inLeaf, openBench, tape } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

test("the verdict stays in sight however far one scrolls", async ({ page }) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 4);
  await page.mouse.wheel(0, 2500);
  await expect(tape(page)).toBeInViewport();
});

test("what the site knows of the place is shown, changed for one plant, and offered again for the next", async ({
  page,
  isMobile,
}) => {
  await openBench(page, "Fern Wood");
  await inLeaf(page);
  const known = page.locator("[data-place-known]");
  await expect(known).toContainText("The site says: woodland; deep shade or half shade; moist");
  const seen = page.getByRole("region", { name: "What you have seen" });
  await expect(seen.getByText("Kind of ground")).toHaveCount(0);
  await known.getByRole("button", { name: "Change it for this plant" }).click();
  const place = page.locator("[data-place]");
  await expect(place.locator("[data-state=woodland]")).toContainText("known for this site");
  await place.getByRole("button", { name: /^(4)?Edge/ }).click();
  await place.getByRole("button", { name: /^Go on/ }).click();
  await expect(page.locator("[data-character=plant-kind]")).toBeVisible();
  await expect(seen.getByText("Kind of ground: edge")).toBeVisible();
  await expect(known).toContainText("The site says: deep shade or half shade; moist");
  await page.keyboard.press("u");
  await expect(place).toBeVisible();
  await place.getByRole("button", { name: /^(4)?Edge/ }).click();
  await place.getByRole("button", { name: /^Go on/ }).click();
  await expect(seen.getByText("Kind of ground: edge")).toBeVisible();
  if (isMobile) await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Save the finding" }).click();
  await expect(page).toHaveURL(/findings/);
  await page.goto("/bench");
  await page.getByRole("button", { name: /In leaf/ }).click();
  await expect(place.getByRole("button", { name: /^(4)?Edge/ })).toHaveAttribute("aria-pressed", "true");
  await place.getByRole("button", { name: /The same place/ }).click();
  await expect(seen.getByText("Kind of ground: edge")).toBeVisible();
});

test("a plant at two stages, low and high leaves, and words without a character are kept with the finding", async ({
  page,
  isMobile,
  browser,
}) => {
  await openBench(page);
  await page.getByRole("button", { name: "Two stages at once" }).click();
  await page.getByRole("button", { name: /In flower/ }).click();
  await page.getByRole("button", { name: /In seed/ }).click();
  const find = async (words: string) => {
    if (isMobile) await page.getByRole("button", { name: "Any part…" }).click();
    await page.getByPlaceholder(/Find a character/).fill(words);
  };
  await find("lobes");
  await page.getByRole("button", { name: /^Lobes Is/ }).click();
  await page.getByRole("radio", { name: "High leaves" }).click();
  await page.locator("[data-character=leaf-lobes] [data-state=none]").click();
  await expect(page.getByRole("region", { name: "What you have seen" }).getByText(/Lobes/)).toBeVisible();
  const words = `a gray bloom on the shady side ${Date.now()}`;
  await find(words);
  await page.getByRole("button", { name: /Keep “a gray bloom/ }).click();
  await expect(page.getByRole("heading", { name: "Kept in your own words" })).toBeVisible();
  if (isMobile) await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Save the finding" }).click();
  await expect(page).toHaveURL(/findings/);
  await expect(page.getByText(`In the scout’s own words: ${words}`)).toBeVisible();
  const specialist = await browser.newContext({ storageState: stateFile("specialist") });
  const read = await specialist.newPage();
  await read.goto("/flora/words");
  await expect(read.getByText(words)).toBeVisible();
  await specialist.close();
});

test("any part can be found and answered out of turn, and can't tell and not there yet say nothing", async ({
  page,
  isMobile,
}) => {
  await openBench(page);
  await inLeaf(page);
  if (isMobile) await page.getByRole("button", { name: "Any part…" }).click();
  await page.getByPlaceholder(/Find a character/).fill("sap");
  await page.getByRole("button", { name: /^Sap/ }).click();
  await expect(page.getByRole("heading", { name: /Snap a leaf stalk/ })).toBeVisible();
  const before = await page.locator("#sheet .tape .reason").first().textContent();
  await page.getByRole("button", { name: /Can’t tell/ }).click();
  await expect(page.getByText("Sap: can't tell")).toBeVisible();
  await expect(page.locator("#sheet .tape .reason").first()).toHaveText(before as string);
});
