import { expect, test as setup } from "@playwright/test";
import { stateFile } from "./people";

for (const who of ["scout", "specialist", "applicator", "keeper", "visitor"] as const) {
  setup(`sign in as ${who}`, async ({ page }) => {
    await page.goto("/sign-in");
    await page.getByLabel("Email").fill(`${who}@otter.example`);
    await page.getByLabel("Password").fill("otter-valley-demo");
    await page.getByRole("button", { name: "Sign in", exact: true }).click();
    await expect(page).toHaveURL(/\/today/);
    await page.context().storageState({ path: stateFile(who) });
  });
}

setup("a wrong password is refused, plainly", async ({ page }) => {
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill("scout@otter.example");
  await page.getByLabel("Password").fill("not the password");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByRole("alert").filter({ hasText: "don’t match" })).toBeVisible();
  await expect(page.getByLabel("Email")).toHaveValue("scout@otter.example");
});
