import { expect, test } from "@playwright/test";
import { answer, HOGWEED, inLeaf, openBench, tape, UNDECIDED } from "./bench-steps";
import { pageOf } from "./people";

/** A minute ago in the valley, whose clock is eight hours behind: work of today that is over, at any time of the day. */
const justNow = (): string => new Date(Date.now() - (8 * 60 + 1) * 60_000).toISOString().slice(11, 16);

test("from a plant at the gate to a line in the ledger", async ({ browser, viewport }) => {
  const scout = await pageOf(browser, "scout", viewport);
  await openBench(scout);
  await inLeaf(scout);
  await answer(scout, UNDECIDED, /Hold/i, 12);
  await expect(tape(scout)).toContainText(/Hold/);
  await expect(tape(scout)).toContainText(/not to be treated here|not in this flora|before acting/);
  await answer(scout, HOGWEED, /Clear/i);
  await expect(tape(scout)).toContainText("Clear to act");
  const save = scout.getByRole("button", { name: "Save", exact: true });
  if (await save.isVisible()) await save.click();
  await scout.getByRole("textbox", { name: "Note" }).fill("By the ford, three plants.");
  await scout.getByLabel("Add pictures").setInputFiles({
    name: "leaf.png",
    mimeType: "image/png",
    buffer: Buffer.from(
      "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
      "base64",
    ),
  });
  await scout.getByRole("button", { name: "Save the finding" }).click();
  await expect(scout).toHaveURL(/\/findings\//);
  await expect(tape(scout)).toContainText("Clear to act");
  await expect(scout.getByText("By the ford, three plants.")).toBeVisible();
  await expect(scout.locator("img")).toHaveCount(1);

  await scout.getByRole("link", { name: "Mark the patch" }).click();
  await expect(scout.locator("[data-ready=yes]")).toBeVisible({ timeout: 30000 });
  await scout.getByRole("button", { name: "10 m across" }).click();
  const name = `Ford ${Date.now() % 100000}`;
  await scout.getByLabel("Name of the patch").fill(name);
  await scout.getByRole("button", { name: "Save the patch" }).click();
  await expect(scout).toHaveURL(/\/ground\/patch\//);
  await expect(scout.getByRole("heading", { name })).toBeVisible();
  await expect(scout.getByText(/7\d(\.\d)? m²/).first()).toBeVisible();
  const patchUrl = scout.url();

  const specialist = await pageOf(browser, "specialist", viewport);
  await specialist.goto(patchUrl);
  await specialist.getByRole("link", { name: "What can be done" }).click();
  await expect(specialist.getByRole("heading", { name: /What can be done: Giant hogweed/ })).toBeVisible();
  await expect(specialist.getByRole("heading", { name: "Never here" })).toBeVisible();
  await expect(specialist.getByText("Sap burns skin in sunlight").first()).toBeVisible();
  const method = specialist
    .getByRole("listitem")
    .filter({ has: specialist.getByRole("heading", { name: "Cover with sheet" }) });
  await method.getByText("Plan this").click();
  await method.getByLabel("Person responsible").selectOption({ label: "Tansy Quillfeather" });
  await method.getByRole("button", { name: "Add it to the season" }).click();
  await expect(method.getByText(/say what should grow there/)).toBeVisible();
  await method.getByLabel(/Nothing is sown, because/).check();
  await method.getByLabel("Why nothing is sown").fill("The wood around it seeds in.");
  await method.getByRole("button", { name: "Add it to the season" }).click();
  await expect(specialist).toHaveURL(/\/season\/plan\//);
  await expect(specialist.getByText("Nothing is sown, because the wood around it seeds in.")).toBeVisible();
  await expect(specialist.getByRole("link", { name })).toBeVisible();

  const applicator = await pageOf(browser, "applicator", viewport);
  await applicator.goto(patchUrl);
  await applicator.getByRole("link", { name: "Record it" }).click();
  await expect(applicator.getByText(/Done by Tansy Quillfeather, license INV-20417/)).toBeVisible();
  await applicator.getByRole("textbox", { name: "Note" }).fill("Sheet pegged at every metre.");
  await applicator.reload();
  await expect(applicator.getByRole("textbox", { name: "Note" })).toHaveValue("Sheet pegged at every metre.");
  await applicator.getByRole("button", { name: "Write it in the ledger" }).click();
  for (const missing of ["say when it began", "say when it ended"])
    await expect(applicator.getByText(missing).first()).toBeVisible();
  await applicator.locator("input[name=fromTime]").fill("00:00");
  await applicator.locator("input[name=toTime]").fill(justNow());
  await applicator.getByRole("button", { name: "Write it in the ledger" }).click();
  await expect(applicator.getByRole("heading", { name: /Record of treatment no\. \d+/ })).toBeVisible();
  await expect(applicator.getByText("Sheet pegged at every metre.")).toBeVisible();
  await applicator.getByRole("link", { name: "The patch" }).click();
  await expect(applicator.getByText("Look under the edges.")).toBeVisible();
  for (const page of [scout, specialist, applicator]) await page.context().close();
});

test("a check that is due is recorded on Today, once it says how much was seen and in which stages", async ({
  browser,
  viewport,
}) => {
  const page = await pageOf(browser, "scout", viewport);
  await page.goto("/today");
  const due = page.locator("li:has(form[aria-label^='Record the check of'])").first();
  await due.locator("summary").click();
  const form = due.getByRole("form");
  await form.getByRole("button", { name: "Record" }).click();
  await expect(form.getByText("say how much of the plant you saw")).toBeVisible();
  const found = `Two seedlings under the hedge, ${Date.now()}.`;
  const name = (await due.locator("summary .font-semibold").first().textContent()) as string;
  await form.getByLabel("Note").fill(found);
  await form.getByLabel("Plants seen").selectOption("some");
  await form.getByRole("button", { name: "Record" }).click();
  await expect(form.getByText("say in which stages the plants were")).toBeVisible();
  await form.getByLabel("Seedling").check();
  await form.getByRole("button", { name: "Record" }).click();
  const looked = page.locator("section:has(h2:has-text('Checked lately')) a").filter({ hasText: found });
  await expect(looked).toContainText(name);
  await looked.click();
  await expect(page.getByText(`some seen, seedling. ${found}`)).toBeVisible();
  await page.context().close();
});
