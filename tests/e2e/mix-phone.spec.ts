import { expect, type Page, test } from "@playwright/test";
import { readyForField } from "./offline";
import { stateFile } from "./people";
import { ownPlans } from "./planning-steps";

test.use({ storageState: stateFile("applicator"), serviceWorkers: "allow" });

/** Taps and keystrokes, counted one by one. */
class Hand {
  count = 0;
  private readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }
  async tap(name: string | RegExp, role: "button" | "radio" | "link" = "button"): Promise<void> {
    this.count++;
    await this.page.getByRole(role, { name }).click();
  }
  async type(label: string | RegExp, text: string): Promise<void> {
    this.count += 1 + text.length;
    const field = this.page.getByLabel(label).first();
    await field.click();
    await field.fill("");
    await field.pressSequentially(text);
  }
}

/** Opened once with a signal; then Mix without one, in glaring sun. */
async function atTheTruck(page: Page): Promise<Hand> {
  await readyForField(page);
  await page.context().addCookies([{ name: "sentinel.theme", value: "sun", url: page.url() }]);
  await page.context().setOffline(true);
  await page.goto("/bench");
  await expect(page.getByText("No signal.")).toBeVisible();
  const hand = new Hand(page);
  await hand.tap("Mix", "link");
  return hand;
}

test("without a signal a backpack is calibrated by the small-plot catch, and the first load is there in 35 taps and keystrokes", async ({
  page,
}) => {
  const hand = await atTheTruck(page);
  await hand.tap("metric", "radio");
  await hand.type("Plot that was sprayed with water", "25");
  await hand.type("Caught in the same time", "500");
  await expect(page.getByRole("status").filter({ hasText: "200 L/ha" })).toBeVisible();
  await hand.tap("Fill the tank by it");
  await expect(page.getByLabel("Carrier")).toHaveValue("200");
  await hand.type("Area to be sprayed", "1000");
  await hand.type("The tank takes", "15");
  await hand.type("Rate, as the label writes it", "3");
  await expect(page.getByText("20 L in all, 2 loads")).toBeVisible();
  await expect(page.getByText("Product 1: 225 mL")).toBeVisible();
  await expect(page.getByText("Product 1: 75 mL")).toBeVisible();
  expect(hand.count).toBeLessThanOrEqual(35);
  // What was typed is there after a reload, and in US measures it is the same mix.
  await page.reload();
  await page.getByRole("radio", { name: "Tank" }).click();
  await expect(page.getByText("20 L in all, 2 loads")).toBeVisible();
  await page.getByRole("radio", { name: "US", exact: true }).click();
  await expect(page.getByText(/5\.28 US gal in all, 2 loads/)).toBeVisible();
  await expect(page.getByText("US gal/acre", { exact: true }).first()).toBeVisible();
});

test("a typed US rate keeps dry and fluid ounces apart, and a label's maximum that is passed is refused with the arithmetic", async ({
  page,
}) => {
  const hand = await atTheTruck(page);
  await hand.tap("US", "radio");
  await hand.tap("Tank", "radio");
  await hand.type("Area to be sprayed", "1");
  await hand.type("Carrier", "20");
  await hand.type("The tank takes", "25");
  await hand.type("Rate, as the label writes it", "32");
  await expect(page.getByText("Product 1: 32 US fl oz")).toBeVisible();
  await page.locator("main select").first().selectOption({ label: "oz by weight/acre" });
  await expect(page.getByText("Product 1: 2 lb")).toBeVisible();
  await page.locator("main select").first().selectOption({ label: "US qt/acre" });
  await page.locator("main select").nth(1).selectOption({ index: 1 });
  await expect(page.getByText("Do not mix this.")).toBeVisible();
  await expect(page.getByText(/per hectare: 74\.\d+ is more than/).first()).toBeVisible();
  await hand.type("Rate, as the label writes it", "1");
  await expect(page.getByText("Do not mix this.")).toHaveCount(0);
});

test("stems by class and a jug are worked out without a signal, and a nozzle off the mean is named", async ({
  page,
}) => {
  const hand = await atTheTruck(page);
  await hand.tap("metric", "radio");
  await hand.tap("Stems", "radio");
  await hand.type(/Diameter of class 1/, "33.02");
  await hand.type("Stems of it", "2");
  await expect(page.getByText("26 (13 a stem), 26 mL")).toBeVisible();
  await hand.tap("Jug", "radio");
  await hand.type(/^Wanted/, "37");
  await hand.type(/Between two marks/, "10");
  await expect(page.getByText("Fill to 40 mL")).toBeVisible();
  await hand.tap("Calibrate", "radio");
  await hand.tap("Boom", "radio");
  await hand.type(/Flow of each nozzle/, "1 1 1 1.4");
  await expect(page.getByText(/Clean or replace: nozzle 4 \(127% of the mean\)/)).toBeVisible();
});

test("hours are judged by the label from a forecast, without a signal, and each names what fails", async ({ page }) => {
  const hand = await atTheTruck(page);
  await hand.tap("Spray hours", "radio");
  const file = (text: string) => ({ name: "forecast.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.locator("input[type=file]").setInputFiles(file("hour,wind_ms\n2026-06-09T12,99\n"));
  await expect(page.getByText(/line 2, wind_ms: got "99"; give a number from 0 to 60/)).toBeVisible();
  const head = "hour,wind_ms,gust_ms,temperature_c,humidity_percent,rain_mm";
  const line = (i: number, wind: string) => `2026-06-09T${String(8 + i).padStart(2, "0")},${wind},3,15,60,0`;
  const good = Array.from({ length: 8 }, (_, i) => line(i, i === 1 ? "9" : i === 2 ? "" : "2"));
  await page.locator("input[type=file]").setInputFiles(file([head, ...good].join("\n")));
  await expect(page.getByText("1 of 8 hours are within every limit.")).toBeVisible();
  await expect(page.getByText(/Wind is 9 m\/s, more than/)).toBeVisible();
  await expect(page.getByText(/Wind is missing\./)).toBeVisible();
  await expect(page.getByText(/Time without rain is 5 h, less than 6 h\./)).toBeVisible();
});

test("without a signal the label is read on the phone, one site of action for a third season is pointed out, and a plant that the label leaves out is asked about", async ({
  page,
}) => {
  const [plan] = await ownPlans(page, /stump.*broom/i);
  const hand = await atTheTruck(page);
  await page.goto(`/mix?plan=${plan}`);
  await hand.tap("Tank", "radio");
  await hand.tap("metric", "radio");
  await hand.type("Rate, as the label writes it", "3");
  const label = page.getByLabel("Label, as this district typed it in");
  await label.selectOption({ label: "Sample label A (invented)" });
  await expect(page.getByText(/Site of action 9 is used on this patch for season 3 running/)).toBeVisible();
  const paper = page.waitForEvent("download");
  await hand.tap("Read the label of Sample label A (invented) (PDF)", "link");
  const content = await (await paper).createReadStream().then(async (stream) => {
    const parts: Buffer[] = [];
    for await (const part of stream) parts.push(part as Buffer);
    return Buffer.concat(parts);
  });
  expect(content.subarray(0, 5).toString("latin1")).toBe("%PDF-");
  await label.selectOption({ label: "Sample label B for stumps (invented)" });
  await expect(page.getByText(/Site of action 9 is used/)).toHaveCount(0);
  await expect(page.getByText(/The label does not name French broom\. Ask whether/)).toBeVisible();
  for (const screen of ["Spots", "Stems"]) {
    await hand.tap(screen, "radio");
    await expect(page.getByText(/The label does not name French broom\. Ask whether/)).toBeVisible();
    await label.selectOption({ label: "Sample label A (invented)" });
    await expect(page.getByText(/Site of action 9 is used on this patch for season 3 running/)).toBeVisible();
    await label.selectOption({ label: "Sample label B for stumps (invented)" });
  }
});

test("where the label is silent it is asked for; spots, rinse, hours and bags are worked out too", async ({ page }) => {
  const hand = await atTheTruck(page);
  await hand.tap("metric", "radio");
  await hand.tap("Tank", "radio");
  await hand.type("Area to be sprayed", "1000");
  await hand.type("Carrier", "200");
  await hand.type("The tank takes", "20");
  await hand.type("Rate, as the label writes it", "3");
  await expect(page.getByText("Nobody has said how much of Product 1 an area may get at most.")).toBeVisible();
  await hand.type(/The most that an area may get is not typed in/, "2");
  await expect(page.getByText("per hectare: 3 is more than 2")).toBeVisible();
  await hand.tap("Spots", "radio");
  await hand.type("Product in the finished mix", "2");
  await expect(page.getByText(/400 mL of product, filled up with water to 20 L/)).toBeVisible();
  await hand.type("Mix that was used", "10");
  await hand.type("Ground that was wetted", "400");
  await expect(page.getByText(/200 mL on that ground are 5 L\/ha/)).toBeVisible();
  await hand.type("Cannot be drained", "1");
  await hand.type("Water each time", "9");
  await expect(page.getByText(/0\.1% of the product is left in the tank/)).toBeVisible();
  await hand.tap("Work", "radio");
  await hand.type("Stems, or area", "600");
  await hand.type("Pace", "60");
  await hand.type("Crew", "2");
  await hand.type("Carried out", "200");
  await expect(page.getByText("5 h for the crew, 10 h of all people together.")).toBeVisible();
  await expect(page.getByText("4 bags, 0 kg each.")).toBeVisible();
});
