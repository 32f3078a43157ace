import { expect, type Locator, type Page, test } from "@playwright/test";
import { answer, HEMLOCK, HOGWEED, HOUNDSTONGUE, inLeaf, openBench, tape, UNDECIDED } from "./bench-steps";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout") });

test("any two plants are weighed against each other, the answer that goes against the rest is pointed out, and can be looked at again", async ({
  page,
}) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i);
  const seen = page.getByRole("region", { name: "What you have seen" });
  await expect(seen.getByText(/speaks (strongly )?for Giant hogweed/).first()).toBeVisible();
  await expect(
    page
      .getByRole("table", { name: /What tells Giant hogweed from/ })
      .locator("tbody tr")
      .first(),
  ).toBeVisible();
  const left = seen.locator("select").first();
  const other = await left.locator("option").nth(1).innerText();
  await left.selectOption({ label: other });
  await expect(page.getByRole("table", { name: `What tells Giant hogweed from ${other}, best first` })).toBeVisible();
  await page.getByRole("button", { name: "Back to the most likely plant on each side" }).click();

  await seen.getByRole("button", { name: /^Check again: Kind of plant/ }).click();
  await page.locator("[data-character=plant-kind] [data-state=grasslike]").click();
  await expect(
    seen.getByText(/This answer contradicts the others|The verdict depends on this answer/).first(),
  ).toBeVisible();
});

test("the field says by what rule one may act, and what another stage would show is said in words", async ({
  page,
}) => {
  await openBench(page);
  await inLeaf(page);
  await answer(page, UNDECIDED, /Clear/i, 8);
  await expect(page.locator("figcaption", { hasText: "no plant to keep is above the dashed line" })).toBeVisible();
  const later = page.locator("section", {
    has: page.getByRole("heading", { name: /If this plant cannot settle it today/ }),
  });
  await expect(later.getByRole("listitem").first()).toContainText(
    /today, on a plant that is [a-z ]+ · tells|, from \d{1,2} [A-Z][a-z]+ · tells/,
  );
  await expect(later).not.toContainText(/\d{4}-\d{2}-\d{2}/);
});

/** A houndstongue in leaf, looked at until its second plant is asked for. */
async function toSecondPlant(page: Page): Promise<Locator> {
  await openBench(page, "Otter Reach, river wood", "2026-06-15");
  await inLeaf(page);
  const second = page.locator("[data-second]");
  for (let i = 0; i < 20 && (await second.count()) === 0; i++) await answer(page, HOUNDSTONGUE, /Clear/i, 1);
  return second;
}

test("where one look alone parts it from a twin that is not held, a second plant is looked at before anything is done", async ({
  page,
}) => {
  const second = await toSecondPlant(page);
  await expect(second.getByRole("heading")).toContainText("Now on a second plant of the patch");
  await expect(tape(page)).toContainText("Only one check tells the two apart. Make it on a second plant.");
  await expect(tape(page)).toContainText("Check a second plant of the patch");
  await answer(page, HOUNDSTONGUE, /Clear/i, 1);
  await expect(tape(page).locator(".word")).toHaveText(/Clear/i);
  await expect(page.getByRole("region", { name: "What you have seen" }).getByText(/in 2 of 2 plants/)).toHaveCount(1);
});

for (const said of ["Can’t tell", "No second plant here"]) {
  test(`a second plant of which one says "${said}" leaves it on hold, and is not asked for again`, async ({ page }) => {
    const second = await toSecondPlant(page);
    await second.getByRole("button", { name: said }).click();
    await expect(second).toHaveCount(0);
    await expect(tape(page).locator(".word")).toHaveText(/Hold/i);
    await expect(tape(page)).not.toContainText("Check a second plant of the patch");
  });
}

/** A hemlock in flower with one answer wrong, given at once, looked at until a second plant is asked for. */
async function toSecondHemlock(
  page: Page,
  site: string,
  part: RegExp,
  wrong: Record<string, string | number>,
): Promise<Locator> {
  await openBench(page, site, "2026-06-15");
  await page.getByRole("button", { name: /In flower/ }).click();
  await answer(page, HEMLOCK, /Clear/i, 1);
  await page.getByPlaceholder(/Find a character/).fill(part.source.replace("^", ""));
  await page.getByRole("button", { name: part }).first().click();
  await expect(page.locator(`[data-character=${Object.keys(wrong)[0]}]`)).toBeVisible();
  await answer(page, wrong, /Clear/i, 1);
  const second = page.locator("[data-second]");
  for (let i = 0; i < 20 && (await second.count()) === 0; i++) await answer(page, HEMLOCK, /Clear/i, 1);
  await expect(second.getByRole("heading")).toContainText("Now on a second plant of the patch");
  return second;
}

test("a number that goes against the likeliest plant is measured on a second, which is kept beside it", async ({
  page,
}) => {
  const second = await toSecondHemlock(page, "South Gate verge", /^Height/, { height: 46 });
  await expect(second).toContainText(
    "You measured 46 cm. Poison hemlock is the most likely plant here, and it has 120 to 250 cm. This plant may be unusual, or the part was misread.",
  );
  await answer(page, HEMLOCK, /Clear/i, 1);
  await expect(
    page
      .getByRole("region", { name: "What you have seen" })
      .getByText(`Height: 46 cm on one plant, ${HEMLOCK.height} on another`),
  ).toHaveCount(1);
  await answer(page, HEMLOCK, /Clear/i);
  await expect(tape(page).locator(".word")).toHaveText(/Clear/i);
});

test("an answer that goes against the likeliest plant is asked of a second, and what both show is weighed together", async ({
  page,
}) => {
  const second = await toSecondHemlock(page, "Otter Reach, river wood", /^Bractlets/, { bractlets: "none" });
  await expect(second).toContainText(
    "You saw nothing. Poison hemlock is the most likely plant here, and it has a few, on the outer side only. This plant may be unusual, or the part was misread.",
  );
  await expect(second.getByRole("button", { name: "Not there yet" })).toHaveCount(0);
  await answer(page, HEMLOCK, /Clear/i, 1);
  await expect(
    page
      .getByRole("region", { name: "What you have seen" })
      .getByText("Bractlets under the small umbrellas: nothing on one plant, a few, on the outer side only on another"),
  ).toHaveCount(1);
  await page.keyboard.press("u");
  await expect(second.getByRole("heading")).toContainText("Now on a second plant of the patch");
  await answer(page, HEMLOCK, /Clear/i);
  await expect(tape(page).locator(".word")).toHaveText(/Clear/i);
});

test("a plant called by the wrong kind is found out by parts that it has not", async ({ page }) => {
  await openBench(page);
  await inLeaf(page);
  await page.locator("[data-character=plant-kind] [data-state=grasslike]").click();
  const question = page.locator("[data-character]");
  for (let missing = 0; missing < 2; ) {
    const part = (await question.getAttribute("data-character")) as string;
    const none = question.getByRole("button", { name: "No such part" });
    if (await none.count()) {
      await page.keyboard.press("x");
      missing++;
    } else await question.getByRole("button", { name: /tell/ }).click();
    await expect(page.locator(`[data-character="${part}"]`)).toHaveCount(0);
  }
  await expect(page.getByRole("region", { name: "What you have seen" }).getByText(/: no such part/)).toHaveCount(2);
  await page.getByText("What the district adds").click();
  await expect(page.getByTestId("district-slopes").getByRole("img")).toHaveAccessibleName(
    /by its characters alone, .* here/,
  );
});

test("a reading beyond any plant is refused where it is typed", async ({ page }) => {
  await openBench(page);
  await inLeaf(page);
  await page.getByPlaceholder(/Find a character/).fill("height");
  await page
    .getByRole("button", { name: /^Height(?! of)/ })
    .first()
    .click();
  const reading = page.locator("[data-character=height]").getByRole("textbox");
  await reading.fill("900000");
  await expect(page.getByText(/900000 cm is more than any plant here has. Give it in cm, at most/)).toBeVisible();
  await expect(page.getByRole("button", { name: "That is it" })).toBeDisabled();
  await reading.fill("90");
  await expect(page.getByRole("button", { name: "That is it" })).toBeEnabled();
});

test("a name in mind is put to the test: what is asked would show it wrong", async ({ page }) => {
  await openBench(page);
  await inLeaf(page);
  await page
    .locator("label:has-text('Towards') >> visible=true")
    .locator("select")
    .selectOption({ label: "testing a name I have in mind" });
  const name = page.getByRole("region", { name: "A name in mind" });
  await name.getByRole("combobox", { name: "I think it is" }).fill("no such plant");
  await expect(name.getByText("No plant in the flora has that name.")).toBeVisible();
  await name.getByRole("combobox", { name: "I think it is" }).fill("Poison hemlock");
  await expect(name.getByRole("status")).toContainText("Poison hemlock");
  await expect(page.getByText(/If you are right:/)).toBeVisible();
  await page.getByRole("button", { name: "What could I have told in April?" }).click();
  await expect(
    page.getByRole("table", { name: /Verdict on Poison hemlock in each month/ }).locator("tbody tr"),
  ).toHaveCount(12);
});

test("several plants of a patch are answered together, two states on one plant too, and one beside another", async ({
  page,
}) => {
  await openBench(page);
  await inLeaf(page);
  const find = async (text: string, part: RegExp) => {
    await page.getByPlaceholder(/Find a character/).fill(text);
    await page.getByRole("button", { name: part }).first().click();
  };
  await find("kind of plant", /^Kind of plant/);
  await page.locator("[data-state=herb]").click();
  await find("hair on the stem", /Hair/);
  await page.getByRole("button", { name: /Did you check several plants/ }).click();
  await page.getByLabel("Plants checked").fill("6");
  await page.getByLabel("of them, showed it").fill("5");
  await page.locator("[data-character] [data-state]").nth(1).click();
  await expect(page.getByText(/in 5 of 6 plants/)).toBeVisible();
  await find("marks on the stem", /[Mm]arks/);
  await page.getByRole("button", { name: /Two or more states/ }).click();
  await page.locator("[data-character] [data-state]").nth(0).click();
  await page.locator("[data-character] [data-state]").nth(1).click();
  await page.getByRole("button", { name: "All of these on one plant" }).click();
  await expect(page.getByRole("region", { name: "What you have seen" }).getByText(/ and /).first()).toBeVisible();
  await find("height beside", /Height beside/);
  await page.getByRole("combobox", { name: "The plant next to it, if you are sure of its name" }).fill("Cow parsnip");
  await page.locator("[data-state=more]").click();
  await expect(page.getByText(/Height beside another plant: taller than Cow parsnip/)).toBeVisible();
});

test.describe("the keeper", () => {
  test.use({ storageState: stateFile("keeper") });
  test("sees what other costs would do before they are saved, and what old findings would be judged today", async ({
    page,
  }) => {
    await page.goto("/costs");
    await page.getByLabel(/Clearing a plant that should be kept/).fill("nothing");
    await page.getByRole("button", { name: "Show what changes" }).click();
    await expect(page.getByText("give a number")).toBeVisible();
    await page.getByLabel(/Clearing a plant that should be kept/).fill("5000");
    await page.getByRole("button", { name: "Show what changes" }).click();
    const preview = page.getByRole("region", { name: "What these costs would do" });
    await expect(preview.getByText(/The limit would go from/)).toBeVisible();
    await expect(preview.getByRole("table").locator("tbody tr")).toHaveCount(6);
    await expect(preview.getByRole("button", { name: "Save these costs" })).toBeVisible();
    await page.goto("/second-look");
    await page.getByRole("button", { name: /Check all old findings|Check again/ }).click();
    await expect(page.getByRole("status").filter({ hasText: /findings would get/ })).toBeVisible();
  });
});
