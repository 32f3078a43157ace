import { expect, test } from "@playwright/test";
import { pageOf } from "./people";
import { serious } from "./scan";

const uuid = () => `0192${crypto.randomUUID().slice(4, 14)}7${crypto.randomUUID().slice(15)}`;

test("a hold cannot be planned, on the screen or past it", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "specialist", viewport);
  await page.goto("/today");
  const hold = page.locator("section:has(h2:has-text('On hold')) a:has(.tape-piece.hold)");
  await hold.first().click();
  await expect(page).toHaveURL(/findings/);
  await expect(page.getByText("No work can be planned on this")).toBeVisible();
  const id = page.url().split("/").pop();
  await page.goto(`/season/${id}`);
  await expect(page.getByText(/No work can be planned|has no patch yet/)).toBeVisible();
  await expect(page.getByText("Plan this")).toHaveCount(0);
});

test("a verdict forged by the client is worked out again", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "scout", viewport);
  await page.goto("/bench");
  const site = await page.locator('label:has-text("Place") select >> visible=true').inputValue();
  const answer = await page.request.post("/api/v1/findings", {
    headers: { origin: process.env.SENTINEL_URL as string },
    data: {
      id: uuid(),
      siteId: site,
      place: { longitude: -131.2, latitude: 44.36 },
      day: "2026-06-09",
      stage: "vegetative",
      observations: [{ character: "plant-kind", states: ["herb"] }],
      verdict: "clear",
      because: "forged",
      taxon: "Heracleum maximum",
    },
  });
  expect(answer.status()).toBe(201);
  const saved = await answer.json();
  expect(saved.verdict).toBe("open");
  expect(saved.because).not.toContain("forged");
});

test("a scout cannot record a treatment, a visitor cannot save, a stranger gets nothing", async ({
  browser,
  viewport,
  request,
}) => {
  const scout = await pageOf(browser, "scout", viewport);
  await scout.goto("/ledger/new?plan=01920000-0000-7000-8000-000000b00000");
  await expect(scout.getByText("Applicators and specialists record treatments")).toBeVisible();
  const visitor = await pageOf(browser, "visitor", viewport);
  expect((await visitor.request.post("/api/v1/findings", { data: {} })).status()).toBe(403);
  await visitor.goto("/bench");
  await expect(visitor.getByText("you need the role of scout")).toBeAttached();
  for (const path of ["/api/v1/tiles/12/555/1483", "/api/v1/pictures/01920000-0000-7000-8000-000000b00000"])
    expect((await request.get(path)).status()).toBe(401);
  expect((await request.post("/api/v1/findings", { data: {} })).status()).toBe(401);
});

test("ids of another district give nothing", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "scout", viewport);
  for (const path of ["/findings", "/ground/patch", "/ledger", "/season"]) {
    const response = await page.goto(`${path}/01920000-0000-7000-8000-0000000fffff`);
    expect(response?.status()).toBe(404);
    await expect(page.getByText("Nothing is filed under this address")).toBeVisible();
  }
});

test("bad input gets a clear answer that names the field", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "scout", viewport);
  const answer = await page.request.post("/api/v1/findings", { data: { id: "x" } });
  expect(answer.status()).toBe(400);
  expect((await answer.json()).error.issues.map((i: { field: string }) => i.field)).toContain("id");
});

test("a season that is no number of days is refused, and one that is says when plants flower by it", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "keeper", viewport);
  await page.goto("/settings");
  const form = page.getByRole("form", { name: "The season here" });
  const days = form.getByLabel(/Spring comes later/);
  await days.fill("99");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText("at most 40")).toBeVisible();
  await expect(days).toHaveValue("99");
  await days.fill("0");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText("Saved.")).toBeVisible();
  await expect(page.getByText(/With this setting, .* flowers from \d/)).toBeVisible();
});

test("pages carry a strict content security policy, and nothing breaks it", async ({ browser, viewport }) => {
  const page = await pageOf(browser, "keeper", viewport);
  const broken: string[] = [];
  page.on("console", (m) => /content security policy/i.test(m.text()) && broken.push(m.text()));
  const response = await page.goto("/bench");
  const policy = response?.headers()["content-security-policy"] ?? "";
  expect(policy).toContain("script-src 'self' 'nonce-");
  expect(policy).not.toContain("unsafe-eval");
  await expect(page.locator("#question")).toBeVisible();
  await page.goto("/ground");
  await expect(page.locator("[data-ready=yes]")).toBeVisible({ timeout: 30000 });
  expect(broken).toEqual([]);
});

test("health says that all is well", async ({ request }) => {
  expect(await (await request.get("/api/health")).json()).toMatchObject({
    ok: true,
    database: true,
    migrations: true,
    queue: true,
    flora: expect.any(String),
    version: expect.any(String),
  });
});

test("an invited person comes in, and signs out everywhere", async ({ browser, viewport }) => {
  const keeper = await pageOf(browser, "keeper", viewport);
  const email = `fern${Date.now()}@otter.example`;
  await keeper.goto("/people");
  const form = keeper.getByRole("form", { name: "Invite a person" });
  await form.getByLabel("Name", { exact: true }).fill("Fern Ashgrove");
  await form.getByLabel("Email").fill(email);
  await form.getByRole("button", { name: "Invite" }).click();
  await expect(form.getByText("Invited.")).toBeVisible();
  const letter = keeper.locator("section:has(h2:has-text('Emails')) details").filter({ hasText: email });
  await expect(async () => {
    await keeper.reload();
    await expect(letter).toBeVisible({ timeout: 1000 });
  }).toPass();
  await letter.locator("summary").click();
  const link = /http:\S+\/invite\/\S+/.exec((await letter.locator("pre").textContent()) ?? "")?.[0] as string;
  const guest = await browser.newContext({ baseURL: process.env.SENTINEL_URL });
  const page = await guest.newPage();
  await page.goto(new URL(link).pathname);
  expect(await serious(page)).toEqual([]);
  await page.getByLabel("Password").fill("short");
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page.getByText("at least 10 letters", { exact: true })).toBeVisible();
  await page.getByLabel("Password").fill("a much longer one");
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.getByLabel("Email").fill(email);
  await page.getByLabel("Password").fill("a much longer one");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page).toHaveURL(/today/);
  await page.goto("/account");
  await page.getByRole("button", { name: "Sign out everywhere" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.goto("/today");
  await expect(page).toHaveURL(/sign-in/);
});
