import { defineConfig, devices } from "@playwright/test";

/** The real interface in Debian's headless Chromium, against a server that scripts/test.mjs started. */
export default defineConfig({
  testDir: "tests/e2e",
  // Wide, for machines that are shared: a test that hangs still ends, and none fails for being slow.
  timeout: 240000,
  expect: { timeout: 30000 },
  workers: 2,
  retries: 0,
  reporter: [["list"], ["json", { outputFile: "test-results/e2e.json" }]],
  use: {
    baseURL: process.env.SENTINEL_URL,
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--no-first-run",
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1",
      ],
    },
    trace: "off",
    screenshot: "off",
    serviceWorkers: "block",
  },
  projects: [
    { name: "sign-in", testMatch: /sign-in\.setup\.ts/ },
    // the phone first: its longest file would else run alone at the end, with the other worker idle
    {
      name: "phone",
      testMatch: /(journey|bench|access|planning|season|-phone)\.spec\.ts/,
      use: { ...devices["Pixel 7"], viewport: { width: 390, height: 844 } },
      dependencies: ["sign-in"],
    },
    {
      name: "desk",
      testMatch: /\.spec\.ts/,
      testIgnore: /-phone\.spec\.ts/,
      use: { viewport: { width: 1280, height: 800 } },
      dependencies: ["sign-in"],
    },
  ],
});
