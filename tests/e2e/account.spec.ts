import { type Browser, expect, type Page, test } from "@playwright/test";
import { pageOf } from "./people";
import { serious } from "./scan";

const FIRST = "four random field words";
const SECOND = "another four field words";
const THIRD = "a third set of field words";

/** The link in the newest letter to an address, as the demonstration's keeper reads it. */
async function linkTo(keeper: Page, email: string, kind: "invite" | "password" | "address"): Promise<string> {
  let link = "";
  await expect(async () => {
    await keeper.goto("/people");
    const letters = await keeper.locator("section:has(h2:has-text('Emails')) details").filter({ hasText: email }).all();
    for (const letter of letters) {
      const text = (await letter.locator("pre").textContent()) ?? "";
      link ||= new RegExp(`/${kind}/[\\w-]+`).exec(text)?.[0] ?? "";
    }
    expect(link).not.toBe("");
  }).toPass();
  return link;
}

async function signIn(browser: Browser, email: string, password: string): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: process.env.SENTINEL_URL })).newPage();
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  return page;
}

test("a person's own account: name, password, a link by letter, another address, and leaving", async ({
  browser,
  viewport,
}) => {
  const keeper = await pageOf(browser, "keeper", viewport);
  const email = `rush${Date.now()}@otter.example`;
  await keeper.goto("/people");
  const form = keeper.getByRole("form", { name: "Invite a person" });
  await form.getByLabel("Name", { exact: true }).fill("Rush Barlow");
  await form.getByLabel("Email").fill(email);
  await form.getByRole("button", { name: "Invite" }).click();
  const guest = await (await browser.newContext({ baseURL: process.env.SENTINEL_URL })).newPage();
  await guest.goto(await linkTo(keeper, email, "invite"));
  await guest.getByLabel("Password").fill(FIRST);
  await guest.getByRole("button", { name: "Come in" }).click();
  await expect(guest).toHaveURL(/sign-in/);

  const page = await signIn(browser, email, FIRST);
  await expect(page).toHaveURL(/today/);
  const other = await signIn(browser, email, FIRST);
  await expect(other).toHaveURL(/today/);
  await page.goto("/account");
  expect(await serious(page)).toEqual([]);
  const name = page.getByRole("form", { name: "Your name" });
  await name.getByLabel(/Name you sign with/).fill("Rush Barlow-Fen");
  await name.getByRole("button").click();
  await expect(page.getByRole("heading", { name: "Rush Barlow-Fen" })).toBeVisible();

  const password = page.getByRole("form", { name: "Your password" });
  await password.getByLabel("Your password").fill("not this one");
  await password.getByLabel(/New password/).fill(SECOND);
  await password.getByRole("button").click();
  await expect(password.getByText("That is not your password.")).toBeVisible();
  await password.getByLabel("Your password").fill(FIRST);
  await password.getByLabel(/New password/).fill(SECOND);
  await password.getByRole("button").click();
  await expect(password.getByText("Every other device is signed out.")).toBeVisible();
  await other.goto("/today");
  await expect(other).toHaveURL(/sign-in/);
  await page.goto("/today");
  await expect(page).toHaveURL(/today/);

  await other.goto("/forgot");
  expect(await serious(other)).toEqual([]);
  await other.getByLabel("Email").fill(email);
  await other.getByRole("button", { name: "Send me a link" }).click();
  await expect(other.getByText("If that address has an account")).toBeVisible();
  await other.goto(await linkTo(keeper, email, "password"));
  await other.getByLabel(/New password/).fill(THIRD);
  await other.getByRole("button", { name: "Set it" }).click();
  await expect(other.getByText("Your new password is set.")).toBeVisible();
  await page.goto("/today");
  await expect(page).toHaveURL(/sign-in/);

  const mine = await signIn(browser, email, THIRD);
  await expect(mine).toHaveURL(/today/);
  await mine.goto("/account");
  const fresh = `new${email}`;
  const address = mine.getByRole("form", { name: "Your address" });
  await address.getByLabel("Email").fill(fresh);
  await address.getByLabel("Your password").fill(THIRD);
  await address.getByRole("button").click();
  await expect(address.getByText("It becomes yours when you open the link")).toBeVisible();
  await expect(mine.getByText(email, { exact: false }).first()).toBeVisible();
  await mine.goto(await linkTo(keeper, fresh, "address"));
  await mine.getByRole("button", { name: "Yes, it is mine" }).click();
  await expect(mine.getByText("From now on you sign in with this address.")).toBeVisible();
  await mine.goto("/account");
  await expect(mine.getByText(fresh).first()).toBeVisible();

  await mine.getByText("Leave this district …").click();
  await mine.getByRole("button", { name: "Leave Otter Valley Land Stewards" }).click();
  await expect(mine).toHaveURL(/sign-in/);
  await keeper.goto("/people");
  await expect(keeper.getByText("Rush Barlow-Fen")).toHaveCount(0);
  for (const open of [keeper, guest, page, other, mine]) await open.context().close();
});
