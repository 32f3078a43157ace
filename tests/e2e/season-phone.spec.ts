import { expect, test } from "@playwright/test";
import { pageOf } from "./people";

test("on a phone the season begins with this week and one's own work, and nothing is wider than the phone", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "applicator", viewport);
  await page.context().grantPermissions(["geolocation"]);
  await page.context().setGeolocation({ longitude: -131.2, latitude: 44.36 });
  await page.goto("/season");
  const yours = await page.getByRole("heading", { name: /^Yours/ }).boundingBox();
  const pages = await page.getByRole("link", { name: "All that is planned" }).boundingBox();
  expect(yours?.y ?? 9999).toBeLessThan(pages?.y ?? 0);
  await page.getByRole("button", { name: "Near to far" }).click();
  await expect(page).toHaveURL(/\/season\?at=44\.360,-131\.200/);
  await expect(page.getByRole("heading", { name: /^Yours/ })).toBeVisible();
  for (const path of [
    "/season",
    "/season?view=planned&order=near",
    "/season/calendar",
    "/season/week?who=all",
    "/season/methods/mow",
  ]) {
    await page.goto(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
  }
  await page.context().close();
});

test("on a phone a specialist says how much stands there, and hands a plan over with two days", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/season?view=planned");
  await page.locator("tbody a[href^='/season/plan/']").first().click();
  await page.getByText("Move it, hand it over, or divide it").click();
  const change = page.getByRole("form", { name: "Change the plan" });
  await change.getByText("Several days, several people").click();
  await change.getByLabel("Wren Halloway").check();
  await change.getByRole("button", { name: "Save the change" }).click();
  await expect(page.getByText(/Handed from|is outside the window|may not be done now/).first()).toBeVisible();
  await page.locator("p.above a[href^='/ground/patch/']").click();
  await page.getByText("Say how much stands here").click();
  const size = page.getByRole("form", { name: "How much stands here" });
  await size.getByLabel("Number of stems").fill("2.5");
  await size.getByRole("button", { name: "Note it in my name" }).click();
  await expect(size.getByText("give a whole number")).toBeVisible();
  await size.getByLabel("Number of stems").fill("25");
  await size.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/^25 stems/)).toBeVisible();
  await page.context().close();
});
