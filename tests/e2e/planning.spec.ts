import { expect, type Page, test } from "@playwright/test";
import { pageOf } from "./people";
import { nextDay, planningOn, saySmallStand, showOther } from "./planning-steps";

const methodNamed = (page: Page, name: string) =>
  page.getByRole("listitem").filter({ has: page.getByRole("heading", { name, exact: true }) });
/** The section in which a method stands: "Suits now", "Not now" or "Never here". */
const standingOf = (page: Page, name: string) =>
  page
    .locator("section")
    .filter({ has: page.getByRole("heading", { name, exact: true }) })
    .getByRole("heading", { level: 2 });

test("a stem too thick and water two meters away rule methods out, and say why", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await planningOn(page, /holly|hawthorn/i, /^How much stands here/);
  const planning = page.url();
  await page.getByText(/Say how much stands here|Measure it again/).click();
  const size = page.getByRole("form", { name: "How much stands here" });
  await size.getByLabel(/Thickest stem/).fill("30");
  await size.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/stems up to 30 cm thick/).first()).toBeVisible();
  await expect(standingOf(page, "Treat the bark at the base")).toContainText("Never here");
  await expect(standingOf(page, "Pull with the root")).toContainText("Never here");
  await page.locator("p.above a[href^='/ground/patch/']").click();
  await page.getByText("Say what water you see here").click();
  const water = page.getByRole("form", { name: "Water at the patch" });
  await water.getByLabel("On the ground I see").selectOption("at");
  await water.getByLabel("Distance, m").fill("2");
  await water.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/2 m \(Bram Okonedo, on the ground/)).toBeVisible();
  await page.goto(planning);
  await expect(
    methodNamed(page, "Cut, and treat the stump at once")
      .getByText(/Closer than .* m to water|does not allow products/)
      .first(),
  ).toBeVisible();
  await page.context().close();
});

test("in a hay meadow nothing is covered, and the label says when hay may be cut", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await planningOn(page, /tansy|oxeye|ragwort|daisy/i, /Hay is cut here/);
  await expect(standingOf(page, "Cover with sheet")).toContainText("Never here");
  await expect(methodNamed(page, "Cover with sheet").getByText(/the hay meadow too/)).toBeVisible();
  await expect(
    methodNamed(page, "Spot treatment of the leaves").getByText("No hay is cut sooner than the label allows."),
  ).toBeVisible();
  await page.context().close();
});

test("ripe seed: mowing waits, and the heads are bagged first", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await planningOn(page, /chervil|mugwort/i);
  await saySmallStand(page);
  await showOther(page, { stage: "In seed" });
  await expect(standingOf(page, "Mow before seed")).toContainText("Not then");
  await expect(methodNamed(page, "Mow before seed").getByText(/The seed is ripe: mowing would sow it/)).toBeVisible();
  await expect(standingOf(page, "Cut and bag the seed heads")).toContainText("Suits then");
  await expect(methodNamed(page, "Cut and bag the seed heads").getByText("First choice here")).toBeVisible();
  // What is only shown is not planned from.
  await expect(page.getByText("Plan this", { exact: true })).toHaveCount(0);
  await page.context().close();
});

test("the bark slips in May: pulling waits, and says from when", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await planningOn(page, /gorse/i);
  await saySmallStand(page);
  await showOther(page, { day: nextDay(20, 5), stage: "In leaf" });
  await expect(standingOf(page, "Pull with the root")).toContainText("Not then");
  await expect(
    methodNamed(page, "Pull with the root").getByText(/Its bark slips now.* From \d+ [A-Z][a-z]+ to/),
  ).toBeVisible();
  await page.context().close();
});

test("nobody knows of water: treatment waits, until someone has looked", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await planningOn(page, /blackberry|sweetbriar/i, /Water: unknown/);
  const planning = page.url();
  const june = { day: nextDay(20, 6), stage: "In leaf" };
  await showOther(page, june);
  const spot = methodNamed(page, "Spot treatment of the leaves");
  await expect(standingOf(page, "Spot treatment of the leaves")).toContainText("Not then");
  await expect(spot.getByText(/The distance to water decides, and it is unknown here/)).toBeVisible();
  await page.locator("p.above a[href^='/ground/patch/']").click();
  await page.getByText("Say what water you see here").click();
  const water = page.getByRole("form", { name: "Water at the patch" });
  await water.getByLabel("Distance, m").fill("80");
  await water.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/none within 80 m/)).toBeVisible();
  await page.goto(planning);
  await showOther(page, june);
  await expect(standingOf(page, "Spot treatment of the leaves")).toContainText("Suits then");
  await page.context().close();
});

test("a permit that is ready opens the method that waits for it, and a later no closes it", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "specialist", viewport);
  // Desk and phone go at once, each on a patch of its own.
  await planningOn(page, (viewport?.width ?? 0) < 500 ? /ventenata/i : /medusahead/i);
  const planning = page.url();
  for (const [holds, standing] of [
    ["no", "Not then"],
    ["yes", "Suits then"],
    ["no", "Not then"],
  ] as const) {
    await page.goto(planning);
    await page.getByText("Say what is ready here").click();
    const form = page.getByRole("form", { name: "Say what is ready" });
    const permit = "A burn permit, a burn plan and a crew are in hand.";
    await form.getByLabel("What a method waits for").selectOption({ label: permit });
    await form.getByLabel("Is it true here?").selectOption(holds);
    await form.getByRole("button", { name: "Note it in my name" }).click();
    await expect(page.getByText(new RegExp(`${holds}: A burn permit.*Bram Okonedo`, "i"))).toBeVisible();
    await showOther(page, { day: nextDay(10, 1), stage: "Winter" });
    await expect(standingOf(page, "Burn under a permit")).toContainText(standing);
  }
  await page.context().close();
});
