import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { expect, test } from "@playwright/test";
import { serious } from "./scan";

const PORT = 3987;
const address = `http://127.0.0.1:${PORT}`;
let server: ChildProcess;
let code = "";

/** Another, empty database on the same throw-away cluster, and a web process of its own on it. */
test.beforeAll(async () => {
  const own: Record<string, string | undefined> = { ...process.env, DEMO: undefined, SENTINEL_URL: address };
  for (const name of Object.keys(own))
    if (/^DATABASE_.*_URL$/.test(name)) own[name] = own[name]?.replace(/\/sentinel$/, "/first_start");
  const script = (path: string) =>
    spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", path], {
      env: own as NodeJS.ProcessEnv,
      encoding: "utf8",
    });
  expect(script("src/db/migrate.ts").stderr).toBe("");
  code = script("src/cli/set-up-code.ts").stdout.trim();
  expect(code).toMatch(/^[2-9A-Z]{10}$/);
  server = spawn(process.execPath, ["scripts/serve.mjs"], {
    env: { ...own, PORT: String(PORT), NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" } as NodeJS.ProcessEnv,
    stdio: ["ignore", "ignore", "inherit"],
  });
  await expect
    .poll(async () => (await fetch(`${address}/api/health`).catch(() => null))?.ok ?? false, { timeout: 40000 })
    .toBe(true);
});
test.afterAll(() => server?.kill("SIGTERM"));

test("a real first start: set-up opened with the printed code, then an empty notebook that says what belongs in it", async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await page.goto(address);
  await expect(page).toHaveURL(/set-up/);
  expect(await serious(page)).toEqual([]);
  const fill = async (label: string, value: string) => page.getByLabel(label).fill(value);
  await fill("One-time code", "2222222222");
  await fill("Name of the district", "Heron Marsh");
  await fill("Time zone", "Europe/Vienna");
  await fill("Your name", "Ida Reed");
  await fill("Your email", "ida@heron.example");
  await fill("Password", "a long password");
  await page.getByRole("button", { name: "Make the district" }).click();
  await expect(page.getByText("not the code printed").first()).toBeVisible();
  await expect(page.getByLabel("Name of the district")).toHaveValue("Heron Marsh");
  await fill("One-time code", code);
  await page.getByRole("button", { name: "Make the district" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await expect(page.getByText("Demonstration")).toHaveCount(0);
  await fill("Email", "ida@heron.example");
  await fill("Password", "a long password");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page).toHaveURL(/today/);
  await expect(page.getByText("Nothing is due.")).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto(`${address}/bench`);
  await expect(page.getByText("this district has none yet")).toBeVisible();
  await page.getByRole("link", { name: /first site/ }).click();
  await page.getByRole("link", { name: "Draw a site" }).click();
  await expect(page.locator("[data-ready=yes]")).toBeVisible({ timeout: 30000 });
  await fill("Latitude", "47.8");
  await fill("Longitude", "16.7");
  await page.getByRole("button", { name: "400 m across" }).click();
  await fill("Name of the site", "Reed Bank");
  await page.getByLabel("Kind of ground").selectOption("riverbank");
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText("Reed Bank").first()).toBeVisible();
  await page.goto(`${address}/flora/cytisus-scoparius`);
  const list = page.getByRole("form", { name: "Status here" });
  await list.getByLabel("Status").selectOption("target");
  await list.getByRole("button", { name: "Put it on the list" }).click();
  await expect(list.getByText("On the list as target.")).toBeVisible();
  await page.goto(`${address}/bench`);
  await expect(page.locator("#question")).toBeVisible();
  await expect(page.getByText("Scotch broom").first()).toBeVisible();
  await page.goto(`${address}/ledger`);
  await expect(page.getByText("No entry yet.")).toBeVisible();
  await page.goto(`${address}/set-up`);
  await expect(page).toHaveURL(/today|sign-in/);
});
