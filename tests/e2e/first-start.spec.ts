import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { expect, test } from "@playwright/test";
import { serious } from "./scan";

const PORT = 3987;
const address = `http://127.0.0.1:${PORT}`;
let server: ChildProcess;
let printed = "";

/** Another, empty database on the same throw-away cluster, and a server of its own on it. */
test.beforeAll(async () => {
  const own = { ...process.env };
  for (const name of ["DATABASE_OWNER_URL", "DATABASE_APP_URL", "DATABASE_AUTH_URL", "DATABASE_VERIFY_URL"])
    own[name] = (own[name] as string).replace(/\/sentinel$/, "/first_start");
  const made = spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "src/db/migrate.ts"], {
    env: own,
    encoding: "utf8",
  });
  expect(made.stderr).toBe("");
  const { DATABASE_OWNER_URL: _, DEMO: __, ...env } = own;
  server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(PORT)],
    {
      env: { ...env, SENTINEL_URL: address, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
      stdio: ["ignore", "pipe", "pipe"],
    },
  );
  server.stderr?.on("data", (part) => {
    printed += String(part);
  });
  server.stdout?.resume();
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
  await expect.poll(() => /enter the code\s+([0-9A-F]{8})/.exec(printed)?.[1] ?? "").not.toBe("");
  const code = /enter the code\s+([0-9A-F]{8})/.exec(printed)?.[1] as string;
  const fill = async (label: string, value: string) => page.getByLabel(label).fill(value);
  await fill("One-time code", "00000000");
  await fill("Name of the district", "Heron Marsh");
  await fill("Time zone", "Europe/Vienna");
  await fill("Your name", "Ida Reed");
  await fill("Your e-mail", "ida@heron.example");
  await fill("Password", "a long password");
  await page.getByRole("button", { name: "Make the district" }).click();
  await expect(page.getByText("not the code printed").first()).toBeVisible();
  await expect(page.getByLabel("Name of the district")).toHaveValue("Heron Marsh");
  await fill("One-time code", code);
  await page.getByRole("button", { name: "Make the district" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await expect(page.getByText("Demonstration")).toHaveCount(0);
  await fill("E-mail", "ida@heron.example");
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
  await list.getByLabel("Status in this district").selectOption("target");
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
