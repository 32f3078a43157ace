import { expect, test } from "@playwright/test";
import { inLeaf, openBench } from "./bench-steps";
import { stateFile } from "./people";

/** What holds on the phone alone: at the desk everything is in sight at once. */
test.use({ storageState: stateFile("scout") });

test("on a phone the next question begins under the verdict, however far down the answer was, and a sheet that is opened comes into sight", async ({
  page,
}) => {
  await openBench(page);
  await inLeaf(page);
  const room = () =>
    page.evaluate(
      () =>
        (document.getElementById("question")?.getBoundingClientRect().top ?? 0) -
        (document.querySelector("#sheet .tape")?.getBoundingClientRect().bottom ?? 0),
    );
  for (let i = 0; i < 4; i++) {
    const question = page.locator("[data-character]");
    const character = await question.getAttribute("data-character");
    await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
    await question.getByRole("button", { name: /tell/ }).click();
    await expect(page.locator(`[data-character="${character}"]`)).toHaveCount(0);
    await expect.poll(room).toBeGreaterThanOrEqual(0);
  }
  await page.getByRole("button", { name: "Who fits" }).click();
  await expect(page.locator("#fits-panel h2").first()).toBeInViewport();
});

test("on a phone of 390 × 844 the question and its drawn answers have at least 55% of the screen", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openBench(page);
  await inLeaf(page);
  const share = await page.evaluate(() => {
    const top = document.querySelector("#question")?.getBoundingClientRect().top ?? 0;
    const always = [...document.querySelectorAll("button")].find((b) => b.textContent?.startsWith("Can’t tell"));
    return ((always?.getBoundingClientRect().top ?? 0) - top) / window.innerHeight;
  });
  expect(share).toBeGreaterThanOrEqual(0.55);
});
