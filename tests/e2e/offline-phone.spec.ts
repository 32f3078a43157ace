import { type BrowserContext, expect, type Page, test } from "@playwright/test";
import { answer, HOGWEED, inLeaf, openBench } from "./bench-steps";
import { readyForField, rowsOf } from "./offline";
import { stateFile } from "./people";

test.use({ storageState: stateFile("scout"), serviceWorkers: "allow" });

async function saveOnBench(page: Page): Promise<void> {
  const bar = page.getByRole("button", { name: "Save", exact: true });
  if (await bar.isVisible()) await bar.click();
  await page.getByRole("button", { name: "Save the finding" }).click();
}

test("opened once with a signal, everything that is needed in the field works without one", async ({
  page,
  context,
}) => {
  await readyForField(page);
  await context.setOffline(true);
  await page.goto("/flora/conium-maculatum");
  await expect(page.getByRole("heading", { level: 1, name: /Poison hemlock/ })).toBeVisible();
  await expect(page.getByText("No signal.")).toBeVisible();
  await page.goto("/twins?t=conium-maculatum&t=daucus-carota");
  await expect(
    page
      .getByRole("table", { name: /What tells them apart/ })
      .locator("tbody tr")
      .first(),
  ).toBeVisible();
  await page.goto("/flora");
  await page.getByRole("searchbox").fill("hogwed");
  await expect(page.getByRole("link", { name: /Giant hogweed/ })).toBeVisible();
  await page.goto("/ledger");
  await expect(page.getByRole("heading", { name: "This page needs a signal" })).toBeVisible();

  await page.goto("/bench");
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 2);
  await page.reload();
  await expect(page.locator("button[aria-label^='Take back']")).toHaveCount(2);
  await saveOnBench(page);
  await expect(page.getByText("Saved on this device.")).toBeVisible();
  await page.goto("/outbox");
  await expect(page.getByText("Waiting for a signal.")).toHaveCount(1);

  await context.setOffline(false);
  await expect(page.getByText("The signal is back.")).toBeVisible();
  await expect(page.getByText("Nothing is waiting on this device.")).toBeVisible();
  await page.getByRole("button", { name: "Open the whole notebook" }).click();
  await expect(page.getByRole("link", { name: "Ledger" })).toBeVisible();
});

/** The same chance in every run. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296;
  };
}

/** Cuts the signal at random: before the server has a request, or after it, when only the answer is lost. */
async function unsteadySignal(
  context: BrowserContext,
  chance: () => number,
): Promise<{ cuts: () => number; steady: () => Promise<void> }> {
  let cuts = 0;
  await context.route("**/api/v1/{findings,pictures}**", async (route) => {
    const luck = chance();
    if (luck > 0.55) return route.continue();
    cuts++;
    if (luck > 0.25) await route.fetch().catch(() => undefined);
    await route.abort("internetdisconnected").catch(() => undefined);
  });
  return { cuts: () => cuts, steady: () => context.unroute("**/api/v1/{findings,pictures}**") };
}

const PICTURE = {
  name: "leaf.png",
  mimeType: "image/png",
  buffer: Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
    "base64",
  ),
};
/** More of them are a matter of patience: the number can be given. */
const FINDINGS = Number(process.env.SENTINEL_CUT_FINDINGS ?? 6);

test("a signal cut at random loses no finding, doubles none and keeps their order", async ({ page, context }) => {
  test.setTimeout(60_000 + FINDINGS * 30_000);
  const chance = seeded(Number(process.env.SENTINEL_CUT_SEED ?? 11));
  const signal = await unsteadySignal(context, chance);
  const made: string[] = [];
  const sent: string[] = [];
  page.on("request", (request) => {
    if (request.method() === "POST" && request.url().endsWith("/api/v1/findings")) sent.push(request.postDataJSON().id);
  });
  for (let i = 0; i < FINDINGS; i++) {
    await openBench(page, "Fern Wood");
    await inLeaf(page);
    await answer(page, HOGWEED, /Clear/i, 1);
    const bar = page.getByRole("button", { name: "Save", exact: true });
    if (await bar.isVisible()) await bar.click();
    await page.locator("input[type=file]").setInputFiles(PICTURE);
    await expect(page.getByRole("button", { name: `Remove ${PICTURE.name}` })).toBeVisible();
    await page.getByRole("button", { name: "Save the finding" }).click();
    // The window may be closed at any moment after the press.
    await page.waitForTimeout(400 * chance());
    made.push(await newestOnDevice(page, made));
  }
  await signal.steady();
  await page.goto("/outbox");
  await expect(page.getByText("Nothing is waiting on this device.")).toBeVisible({ timeout: 60_000 });
  test.info().annotations.push({ type: "cuts", description: String(signal.cuts()) });
  expect(signal.cuts()).toBeGreaterThan(FINDINGS / 2);
  expect(new Set(made).size).toBe(FINDINGS);
  const numbers: number[] = [];
  for (const id of made) {
    await page.goto(`/findings/${id}`);
    numbers.push(Number(/F-(\d+)/.exec(await page.locator("#sheet").innerText())?.[1]));
    await expect(page.locator("#sheet img")).toHaveCount(1);
  }
  expect([...numbers].sort((a, b) => a - b)).toEqual(numbers);
  expect(new Set(numbers).size).toBe(FINDINGS);
  const firstTries = sent.filter((id, i) => sent.indexOf(id) === i);
  expect(firstTries).toEqual(made);
});

/** The id of the finding that was just saved: in the outbox, or in the address of its page. */
async function newestOnDevice(page: Page, known: string[]): Promise<string> {
  const shown = async () => /findings\/([0-9a-f-]{36})/.exec(page.url())?.[1];
  const stored = () =>
    page.evaluate(
      () =>
        new Promise<string[]>((resolve) => {
          const opening = indexedDB.open("sentinel-bench");
          opening.onsuccess = () => {
            const all = opening.result.transaction("outbox").objectStore("outbox").getAll();
            all.onsuccess = () =>
              resolve(
                (all.result as { id: string; order: number }[]).sort((a, b) => a.order - b.order).map((o) => o.id),
              );
          };
        }),
    );
  for (;;) {
    const onPage = await shown();
    if (onPage && !known.includes(onPage)) return onPage;
    const waiting = await stored().catch(() => []);
    const fresh = waiting.filter((id) => !known.includes(id)).at(-1);
    if (fresh) return fresh;
    await page.waitForTimeout(100);
  }
}

test("the server's word stands where it judges otherwise, and a person is shown both", async ({ page, context }) => {
  await context.route("**/api/v1/findings", async (route) => {
    const response = await route.fetch();
    const body = await response.json();
    await route.fulfill({
      response,
      json: { ...body, verdict: body.verdict === "hold" ? "open" : "hold", because: "The list was changed." },
    });
  });
  await openBench(page, "Fern Wood");
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 2);
  await saveOnBench(page);
  await expect(page.getByText("The server gives a different verdict.")).toBeVisible();
  await expect(page.getByText("The list was changed.")).toBeVisible();
  await page.getByRole("button", { name: "I have read this" }).click();
  await expect(page.getByText("Nothing is waiting on this device.")).toBeVisible();
});

test("what a device keeps is named, is taken off at signing out as far as it is the district's, and can be wiped", async ({
  browser,
}) => {
  // A session of its own: signing out must not end that of the other tests.
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill("scout@otter.example");
  await page.getByLabel("Password").fill("otter-valley-demo");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page).toHaveURL(/today/);
  await page.goto("/account");
  await expect(page.getByText(/Otter Valley.*\(/)).toBeVisible();
  await page.getByRole("button", { name: "Wipe this device …" }).click();
  await page.getByRole("button", { name: "Wipe this device", exact: true }).click();
  await expect(page.getByText("of: no district")).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Otter Valley.*\(/)).toBeVisible();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page).toHaveURL(/sign-in/);
  expect(await rowsOf(page, "packs")).toBe(0);
  await context.close();
});

test("what the server refuses says why, is opened on the Bench again, and is sent from there", async ({
  page,
  context,
}) => {
  await context.route("**/api/v1/findings", (route) =>
    route.fulfill({
      status: 400,
      json: {
        error: {
          code: "never",
          message: "The place lies outside your district.",
          issues: [{ field: "place", what: "move the point" }],
        },
      },
    }),
  );
  await openBench(page, "Fern Wood");
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 2);
  await saveOnBench(page);
  await page.goto("/outbox");
  await expect(page.getByText("The place lies outside your district. move the point")).toBeVisible();
  await page.getByRole("button", { name: "Open it on the Bench" }).click();
  await expect(page).toHaveURL(/bench/);
  await expect(page.locator("button[aria-label^='Take back']")).toHaveCount(2);
  await context.unroute("**/api/v1/findings");
  await saveOnBench(page);
  await page.goto("/outbox");
  await expect(page.getByText("Nothing is waiting on this device.")).toBeVisible();
});

test("wiping a device says first what is lost by it", async ({ page, context }) => {
  await readyForField(page);
  await page.goto("/bench");
  await inLeaf(page);
  await answer(page, HOGWEED, /Clear/i, 2);
  await context.route("**/api/v1/findings", (route) => route.abort());
  await saveOnBench(page);
  await expect(page.getByText("Saved on this device.")).toBeVisible();
  await page.goto("/account");
  await expect(page.getByText(/Findings not sent yet:/).locator("..")).toContainText("1 of");
  await page.getByRole("button", { name: "Wipe this device …" }).click();
  await expect(page.getByText("1 finding not sent and 0 unfinished will be lost for good.")).toBeVisible();
  await page.getByRole("button", { name: "Keep it" }).click();
  expect(await rowsOf(page, "outbox")).toBe(1);
  await page.getByRole("button", { name: "Wipe this device …" }).click();
  await page.getByRole("button", { name: "Wipe this device", exact: true }).click();
  await expect.poll(() => rowsOf(page, "outbox")).toBe(0);
});
