import { afterAll, describe, expect, it } from "vitest";
import { readTableQuery, type TableQuery } from "@/core/paging";
import { LEDGER_SORTS, ledgerPage } from "@/server/records/ledger-pages";
import { closePools } from "@/db/client";
import { plantsOf } from "@/server/flora/amendments";
import { member } from "../support/database";

afterAll(closePools);
const scout = member(["scout"]);

const asked = (params: Record<string, string>): TableQuery =>
  readTableQuery(params, LEDGER_SORTS, { sort: "seq", descending: true });

/** All pages of the ledger from the first on. */
async function walk(params: Record<string, string>) {
  const pages = [(await ledgerPage(scout, asked(params))).page];
  for (let next = pages[0]?.next ?? null; next; next = pages.at(-1)?.next ?? null)
    pages.push((await ledgerPage(scout, asked({ ...params, after: next }))).page);
  return pages;
}

describe("the ledger, page by page", () => {
  it.each(LEDGER_SORTS.flatMap((column) => [`${column}.up`, `${column}.down`]))(
    "shows every entry once, sorted by %s",
    async (sort) => {
      const pages = await walk({ sort });
      const seqs = pages.flatMap((page) => page.rows.map((line) => line.seq));
      expect(new Set(seqs).size).toBe(seqs.length);
      expect(seqs).toHaveLength(pages[0]?.found ?? 0);
      expect(pages.length).toBeGreaterThan(1);
    },
  );

  it("sorts by what the column shows", async () => {
    const rows = (await walk({ sort: "area.down" })).flatMap((page) => page.rows);
    const areas = rows.flatMap((line) => (line.kind === "treatment" ? line.body.areaM2 : []));
    expect(areas).toEqual([...areas].sort((a, b) => b - a));
    const days = (await walk({ sort: "day.up" })).flatMap((page) => page.rows.map((line) => line.body.from));
    expect(days).toEqual([...days].sort());
  });

  it("goes back to the page from which one came", async () => {
    const [first, second] = await walk({ sort: "where.up" });
    const back = await ledgerPage(scout, asked({ sort: "where.up", before: second?.previous ?? "" }));
    expect(back.page.rows.map((line) => line.id)).toEqual(first?.rows.map((line) => line.id));
    expect(back.page.previous).toBeNull();
  });

  it("finds an entry by words of its patch, its work and any name of its plant", async () => {
    const { page } = await ledgerPage(scout, asked({}));
    const [line] = page.rows;
    const word = line?.patchName.split(" ")[0] ?? "";
    const found = (await walk({ find: `${word} ${line?.body.methodName.split(" ")[0]}` })).flatMap((p) => p.rows);
    expect(found.map((entry) => entry.id)).toContain(line?.id);
    const common = (await plantsOf(scout)).common(line?.body.taxon ?? "");
    const ofPlant = (await walk({ find: common.toUpperCase() })).flatMap((p) => p.rows);
    expect(ofPlant.map((entry) => entry.id)).toContain(line?.id);
    expect(ofPlant.length).toBeLessThan(page.found);
  });

  it("takes signs of a pattern as they stand, and words that nothing includes find nothing", async () => {
    for (const find of ["%", "_", "\\", "'; DROP TABLE ledger_entry", "no such words"])
      expect((await ledgerPage(scout, asked({ find }))).page).toMatchObject({ rows: [], found: 0, next: null });
  });

  it("begins anew where the key is of no entry here", async () => {
    const first = await ledgerPage(scout, asked({}));
    for (const after of ["x", "0190a000-0000-7000-8000-000000000000"])
      expect((await ledgerPage(scout, asked({ after }))).page.rows).toEqual(first.page.rows);
  });
});
