import { expect, test } from "@playwright/test";
import { stateFile } from "./people";
import { serious } from "./scan";

test.use({ storageState: stateFile("keeper") });
const pagesOf = (pdf: Buffer): number => (pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g) ?? []).length;

test("a plant is found while typing, misspelt, by an old name, and an ambiguous name says so", async ({ page }) => {
  await page.goto("/flora");
  const finder = page.getByLabel(/Scientific, old or common name/);
  await finder.fill("gient hogwed");
  await expect(page.getByRole("link", { name: /Giant hogweed/ }).first()).toBeVisible();
  await finder.fill("Polygonum cuspidatum");
  await expect(page.getByText("also Polygonum cuspidatum").first()).toBeVisible();
  await finder.fill("bindweed");
  await expect(page.getByText(/plants carry the name “bindweed”/)).toBeVisible();
  await expect(page.getByText(/Check first/)).toBeVisible();
  await finder.fill("dune tansy");
  await expect(page.getByText("dune tansy is mistaken for it, and is not in this flora").first()).toBeVisible();
  await page
    .getByRole("link", { name: /dune tansy is mistaken for it/ })
    .first()
    .click();
  await expect(page.getByText("not in this flora: kept").first()).toBeVisible();
  await page.goto("/flora");
  await finder.fill("zzzzzz");
  await expect(page.getByText("No plant in this flora has a name like that.")).toBeVisible();
});

test("the flora is narrowed by status, form and hazard, and shows a small drawing of each plant", async ({ page }) => {
  await page.goto("/flora?status=target&form=tree");
  await expect(page.getByRole("link", { name: /Tree of heaven/ }).first()).toBeVisible();
  await expect(page.getByRole("link", { name: /Sugar maple/ })).toHaveCount(0);
  const plate = page
    .getByRole("link", { name: /Tree of heaven/ })
    .first()
    .locator("[data-plate]");
  await plate.scrollIntoViewIfNeeded();
  const [, row] = /url\("(.+)"\)/.exec(
    await plate.evaluate((e) => getComputedStyle(e).backgroundImage),
  ) as RegExpExecArray;
  const size = await page.evaluate(async (src) => {
    const image = new Image();
    image.src = src;
    await image.decode();
    return [image.naturalWidth, image.naturalHeight];
  }, row);
  expect(size[0] / size[1]).toBeGreaterThan(5);
});

test("the list of the flora, scrolled to its end, asks for the pictures of sets and for no plant ahead", async ({
  page,
}) => {
  const asked: string[] = [];
  page.on("request", (request) => asked.push(new URL(request.url()).pathname));
  await page.goto("/flora");
  const plants = page.getByRole("link").filter({ has: page.locator("[data-plate]") });
  // the sets come one after another, so that the first can be read while the last are on their way
  await expect.poll(() => plants.count()).toBeGreaterThan(400);
  const names = await plants.count();
  for (let k = 0; k < names; k += 25) await plants.nth(k).scrollIntoViewIfNeeded();
  await plants.last().scrollIntoViewIfNeeded();
  await page.waitForLoadState("networkidle");
  expect(asked.filter((path) => /^\/api\/v1\/sets\/[^/]+\/plates$/.test(path)).length).toBeGreaterThan(10);
  const pages = new Set(await plants.evaluateAll((links) => links.map((link) => (link as HTMLAnchorElement).pathname)));
  expect(pages).toContain("/flora/conium-maculatum");
  expect(asked.filter((path) => pages.has(path))).toEqual([]);
});

test("from a plant to its twins, and to the card that parts them", async ({ page }) => {
  await page.goto("/flora/brachypodium-sylvaticum?stage=vegetative");
  await expect(page.getByText("Collar", { exact: true }).first()).toBeVisible();
  await expect(page.getByRole("img", { name: "Collar" })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto("/twins?t=brachypodium-sylvaticum&t=bromus-vulgaris&stage=vegetative");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/False brome or Columbia brome/i);
  const rows = page.getByRole("table").locator("tbody tr");
  await expect(rows.first()).toContainText(/sheath/i);
  await expect(page.getByText(/The mistake:/)).toBeVisible();
  expect(await serious(page)).toEqual([]);
  expect(pagesOf(await page.pdf({ preferCSSPageSize: true }))).toBe(1);
  for (const plants of [
    "t=heracleum-mantegazzianum&t=heracleum-maximum",
    "t=conium-maculatum&t=daucus-carota&t=anthriscus-sylvestris",
    "t=conium-maculatum&t=daucus-carota&t=anthriscus-sylvestris&t=cicuta-maculata",
  ]) {
    await page.goto(`/twins?${plants}&stage=vegetative`);
    expect(pagesOf(await page.pdf({ preferCSSPageSize: true })), plants).toBe(1);
  }
});

test("a plant says when its bark slips, what its ripe seed looks like and what its remains need", async ({ page }) => {
  await page.goto("/flora/cytisus-scoparius");
  await expect(page.getByText("April to July: if you pull it then, the root stays")).toBeVisible();
  await expect(page.getByText("dark brown or black", { exact: true })).toBeVisible();
  await expect(page.getByText(/Pods on cut plants still burst/)).toBeVisible();
  await page.goto("/flora/daucus-carota");
  await expect(page.getByText(/Sprouts from/)).toBeVisible();
  await expect(page.getByText("Its bark slips")).toHaveCount(0);
});

test("a set's field card stands what is acted on beside what stays, and prints on one page of A5", async ({ page }) => {
  await page.goto("/flora");
  // The sets above it may still be coming in, and move it from under the click.
  await expect(async () => {
    await page.getByRole("link", { name: /Field card: .*umbel/i }).click({ timeout: 5000 });
    await expect(page).toHaveURL(/\/flora\/sets\//, { timeout: 10_000 });
  }).toPass();
  await page.getByRole("link", { name: "in leaf", exact: true }).click();
  const pair = page
    .locator("tbody")
    .filter({ has: page.getByRole("link", { name: "Giant hogweed and Cow parsnip side by side" }) });
  await expect(pair.getByRole("row", { name: /Hair on the stem/ })).toContainText("stiff bristles");
  // each state that the words name is drawn: soft hair all over, or wool or felt
  await expect(
    pair
      .getByRole("row", { name: /Hair on the stem/ })
      .getByRole("cell")
      .last()
      .locator("svg"),
  ).toHaveCount(2);
  expect(await serious(page)).toEqual([]);
  for (const set of ["umbels", "thorns"]) {
    await page.goto(`/flora/sets/${set}?stage=vegetative`);
    expect(pagesOf(await page.pdf({ preferCSSPageSize: true })), set).toBe(1);
  }
  await expect(page.getByRole("listitem").filter({ hasText: "Rosa carolina" })).toContainText(
    "is mistaken for Multiflora rose. Only Multiflora rose shows stipules: joined to the stalk, cut like a comb",
  );
  expect((await page.goto("/flora/sets/no-such-set"))?.status()).toBe(404);
});

test("the list: an exception is made for one site, seen on the sheet, and taken off again", async ({ page }) => {
  await page.goto("/flora/list");
  await page.getByText("Put a plant on the list, or change one").click();
  const form = page.getByRole("form", { name: "Put a plant on the list" });
  await form.getByRole("combobox", { name: /Plant/ }).fill("Planta ignota");
  await form.getByRole("button", { name: "Put it on the list" }).click();
  await expect(form.getByText("choose a plant of the flora")).toBeVisible();
  await form.getByRole("combobox", { name: /Plant/ }).fill("Tanacetum vulgare");
  await form.getByLabel("Status").selectOption("tolerated");
  await form.getByLabel("Where").selectOption({ label: "only on Fern Wood" });
  await form.getByRole("button", { name: "Put it on the list" }).click();
  const row = page.locator("tr", { hasText: "Tanacetum vulgare" });
  await expect(row).toContainText("tolerated on Fern Wood");
  expect(await serious(page)).toEqual([]);
  await row.getByRole("button", { name: /Let Fern Wood follow/ }).click();
  await expect(row.getByText("tolerated on Fern Wood")).toHaveCount(0);
  await page.getByRole("combobox", { name: /^Show/ }).selectOption({ label: "what differs on Upper Oaks" });
  await page.getByRole("button", { name: "Show it" }).click();
  await expect(page).toHaveURL(/site=/);
  await page.getByText("Put a plant on the list, or change one").click();
  await expect(form.getByLabel("Where").locator("option:checked")).toHaveText("only on Upper Oaks");
});

test("two targets with one treatment need not be parted, and one plant alone is no pair", async ({ page }) => {
  await page.goto("/twins?t=reynoutria-japonica&t=reynoutria-sachalinensis");
  await expect(page.getByText("You do not need to tell these apart here:")).toBeVisible();
  await page.goto("/twins?t=reynoutria-japonica");
  await expect(page.getByText("Choose two to four plants")).toBeVisible();
  await page.goto("/twins?t=reynoutria-japonica&t=not-a-plant");
  await expect(page.getByText("Choose two to four plants")).toBeVisible();
});

test("a plate comes as a picture, and an unknown plant has none", async ({ page }) => {
  const png = await page.request.get("/api/v1/plates/conium-maculatum?stage=vegetative&format=png");
  expect(png.headers()["content-type"]).toBe("image/png");
  expect((await png.body()).subarray(1, 4).toString()).toBe("PNG");
  expect((await page.request.get("/api/v1/plates/conium-maculatum?stage=spring")).status()).toBe(400);
  expect((await page.request.get("/api/v1/plates/planta-ignota")).status()).toBe(404);
  expect((await page.request.get(`/api/v1/names?q=${"x".repeat(90)}`)).status()).toBe(400);
});

test.describe("the district's own word", () => {
  test.use({ storageState: stateFile("specialist") });

  test("a score is corrected with a reason after its effects are seen, shows on the plant, and is taken back", async ({
    page,
  }) => {
    await page.goto("/flora/silybum-marianum");
    await page.getByRole("link", { name: "Correct a score" }).click();
    await page.getByLabel("A score that is recorded").selectOption("leaf-gloss");
    await page.getByRole("button", { name: "Go on" }).first().click();
    await page.getByRole("textbox", { name: /What it should say/ }).fill("golden always");
    await page.getByRole("textbox", { name: /^Why/ }).fill("Looked at eleven plants by the upper gate.");
    await page.getByRole("button", { name: "Show what it changes" }).click();
    await expect(page.getByRole("alert").filter({ hasText: /unknown state "golden"/ })).toBeVisible();
    await page.getByRole("textbox", { name: /What it should say/ }).fill("shiny usually, dull sometimes");
    await page.getByRole("button", { name: "Show what it changes" }).click();
    await expect(page.getByText("Verdicts already given are not rewritten.")).toBeVisible();
    expect(await serious(page)).toEqual([]);
    await page.getByRole("button", { name: "Make the amendment" }).click();
    await expect(page.getByText("The amendment applies from now on in this district.")).toBeVisible();
    await expect(page.getByText("changed here", { exact: true })).toBeVisible();
    await page.goto("/bench");
    await expect(page.locator("#question")).toBeVisible();
    await page.goto("/flora/packs");
    const takeBack = page.getByRole("form", { name: "Take back leaf-gloss of Silybum marianum" });
    await takeBack.getByRole("button", { name: "Take it back" }).click();
    await expect(takeBack).toHaveCount(0);
    await expect(page.getByText(/taken back by/).first()).toBeVisible();
    await page.goto("/flora/silybum-marianum");
    await expect(page.getByText("changed here", { exact: true })).toHaveCount(0);
    expect(await serious(page)).toEqual([]);
  });

  test("a pack is shown before it is taken in, and refused by line", async ({ page }) => {
    const table = (await (await page.request.get("/api/v1/packs?scope=umbels&format=csv")).text()).split("\n");
    const send = async (lines: string[]) => {
      await page.goto("/flora/packs");
      await page
        .getByLabel(/A pack, as JSON/)
        .setInputFiles({ name: "umbels.csv", mimeType: "text/csv", buffer: Buffer.from(lines.join("\n")) });
      await page.getByRole("button", { name: "Show what it changes" }).click();
    };
    await send(table.map((line, i) => (i === 3 ? line.replace(/^[^,]+/, "Nullus verus") : line)));
    await expect(page.getByRole("cell", { name: "4", exact: true })).toBeVisible();
    await expect(page.getByText("nothing is imported until every row is right")).toBeVisible();
    await send(table);
    await expect(page.getByText("The pack changes nothing.")).toBeVisible();
    expect(await serious(page)).toEqual([]);
    const milk = table.findIndex((line) => /^[^,]+,sap,/.test(line));
    expect(milk).toBeGreaterThan(0);
    await send(
      table.map((line, i) => (i === milk ? line.replace(/^([^,]*,[^,]*,[^,]*),.*/, '$1,"milky always",') : line)),
    );
    await expect(page.getByRole("button", { name: "Take in 1 change", exact: true })).toBeVisible();
  });

  test("a plant is added by three tables made of its twin's, is found by its name, fits on the Bench's flora, and is taken back", async ({
    page,
  }) => {
    const name = "Silybum novum";
    const tableOf = async (table: string) =>
      (await (await page.request.get(`/api/v1/packs?scope=plant%3Asilybum-marianum&format=csv&table=${table}`)).text())
        .replaceAll("Silybum marianum", name)
        .replaceAll("milk thistle", "mirror thistle");
    const plants = (await tableOf("plants")).replace("Carduus marianus", "");
    const twins = `taxon,twin,stage,deciders,mistake\n${name},Silybum marianum,any,"leaf-gloss","Taken for milk thistle, whose leaves are marbled."\n`;
    const scores = (await tableOf("scores"))
      .replace(/(Silybum novum,leaf-gloss,,)[^\n]*/, '$1"dull always",')
      .replace(/(Silybum novum,leaf-marks,,)[^\n]*/, '$1"plain always",');
    const choose = async (tables: [string, string][]) => {
      await page.goto("/flora/packs");
      await page
        .getByLabel(/A pack, as JSON/)
        .setInputFiles(tables.map(([file, text]) => ({ name: file, mimeType: "text/csv", buffer: Buffer.from(text) })));
      await page.getByRole("button", { name: "Show what it changes" }).click();
    };
    await choose([
      ["scores.csv", scores],
      ["plants.csv", plants],
    ]);
    await expect(page.getByText(/is added without a twin/)).toBeVisible();
    await choose([
      ["scores.csv", scores],
      ["twins.csv", twins],
      ["plants.csv", plants],
    ]);
    await expect(page.getByText("A plant is added:")).toBeVisible();
    expect(await serious(page)).toEqual([]);
    await page.getByLabel(/Whose pack it is/).fill("Made for the valley by two of us, plants looked at in June.");
    await page.getByRole("button", { name: /^Take in \d+ change/ }).click();
    await expect(page.getByText(/lines of the flora changed/)).toBeVisible();
    await page.goto("/flora");
    await page.getByRole("searchbox").fill("mirror thistle");
    await expect(page.getByRole("link", { name: /Mirror thistle/ }).first()).toBeVisible();
    await page.goto("/flora/silybum-novum");
    await expect(page.getByRole("heading", { level: 1 })).toContainText(name);
    await expect(page.getByText("Taken for milk thistle, whose leaves are marbled.")).toBeVisible();
    expect(await serious(page)).toEqual([]);
    const flora = (await (await page.request.get("/api/v1/flora")).json()) as { taxa: { name: string }[] };
    expect(flora.taxa.some((t) => t.name === name)).toBe(true);
    await page.goto("/flora/packs");
    await page.getByRole("button", { name: new RegExp(`^Take back \\d+ lines of ${name}`) }).click();
    await expect(page.getByRole("button", { name: new RegExp(`lines of ${name}`) })).toHaveCount(0);
    expect((await page.request.get("/flora/silybum-novum")).status()).toBe(404);
  });

  test("a plate prints as a page", async ({ page }) => {
    const answer = await page.request.get("/api/v1/plates/silybum-marianum?stage=flowering&format=pdf");
    expect(answer.headers()["content-type"]).toContain("application/pdf");
    expect(pagesOf(await answer.body())).toBe(1);
  });
});

test.describe("who may look only", () => {
  test.use({ storageState: stateFile("scout") });
  test("a scout can neither correct a score nor take a pack in", async ({ page }) => {
    await page.goto("/flora/silybum-marianum/amend");
    await expect(page).toHaveURL(/\/flora\/silybum-marianum$/);
    const answer = await page.request.post("/api/v1/packs", {
      multipart: {
        file: { name: "x.csv", mimeType: "text/csv", buffer: Buffer.from("taxon,character,where,score\n") },
      },
    });
    expect(answer.status()).toBe(403);
  });
});
