import { expect, test } from "@playwright/test";
import { pageOf } from "./people";

test("a specialist voids an entry with a reason, drops its plan, and says what water is there", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/ledger?sort=seq.up");
  const voided = page.locator("tbody tr").filter({ hasNotText: /voided|corrected|Void/ });
  await voided.first().getByRole("link").click();
  await page.getByText("Void this entry …").click();
  const form = page.getByRole("form", { name: "Void" });
  await form.getByRole("button", { name: /Void entry no/ }).click();
  await expect(form.getByText("say in at least 10 letters why")).toBeVisible();
  await form.getByLabel("Why").fill("It was written on the wrong patch.");
  await form.getByRole("button", { name: /Void entry no/ }).click();
  await expect(page.getByRole("heading", { name: /Void no\. \d+/ })).toBeVisible();
  await expect(page.getByText("It was written on the wrong patch.")).toBeVisible();
  await page.getByRole("link", { name: "The patch" }).click();
  await page.locator("a[href^='/season/plan/']").first().click();
  await page.getByText("Drop this plan …").first().click();
  const drop = page.getByRole("form", { name: "Drop the plan" }).first();
  await drop.getByLabel("Why it is not done").fill("It was done across the track.");
  await drop.getByRole("button", { name: "Drop it" }).click();
  await expect(page.getByText(/Dropped: “It was done across the track\.”/)).toBeVisible();
  await page.locator("p.above a[href^='/ground/patch/']").click();
  await page.getByText("Say what water you see here").click();
  const water = page.getByRole("form", { name: "Water at the patch" });
  await water.getByLabel("Distance, m").fill("25");
  await water.getByRole("button", { name: "Note it in my name" }).click();
  await expect(page.getByText(/none within 25 m \(Bram Okonedo, on the ground/)).toBeVisible();
  await page.context().close();
});

test("a keeper settles what the district asks, and a specialist confirms a plant", async ({ browser, viewport }) => {
  const keeper = await pageOf(browser, "keeper", viewport);
  await keeper.goto("/settings");
  const form = keeper.getByRole("form", { name: "Settings" });
  await form.getByLabel(/Seasons in which a finding counts/).fill("some");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText("give a whole number of seasons")).toBeVisible();
  await form.getByLabel(/Seasons in which a finding counts/).fill("1");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText("Saved. It applies from now on.")).toBeVisible();
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/ground");
  await page.locator("section:has(h2:has-text('Patches')) a").first().click();
  await page.locator("ol a[href^='/findings']").last().click();
  const confirm = page.getByText(/^Confirm /);
  await confirm.first().click();
  const said = page.getByRole("form", { name: "Confirm" });
  await said.getByLabel("How it was confirmed").selectOption("specimen");
  await said.getByRole("button", { name: "Confirm" }).click();
  await expect(said.getByText("say where the specimen is kept")).toBeVisible();
  await said.getByLabel(/place and number of the specimen/).fill("Herbarium, sheet 12");
  await said.getByRole("button", { name: "Confirm" }).click();
  await expect(page.getByText(/confirmed by a specimen, Herbarium, sheet 12/)).toBeVisible();
  for (const one of [keeper, page]) await one.context().close();
});
