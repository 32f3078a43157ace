import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { listFor } from "@/server/control/list";
import { plantsOf } from "@/server/flora/amendments";
import { shippedFlora, shippedModel } from "@/server/flora/flora";
import { patchDetail, patchLines } from "@/server/ground/ground";
import { readCaseSource } from "@/server/judge/cases";
import { readTableQuery } from "@/core/paging";
import { ledgerPage } from "@/server/records/ledger-pages";
import { member, OTTER } from "../support/database";

const scout = member(["scout"]);
/** What the flora calls the plant from the next version on; its id stays. */
const NEW = "Cytisus renovatus";
const id = "cytisus-scoparius";
let old = "";

/** Renames a plant as a later version of the flora would: in memory, for this file alone. */
function rename(to: string): void {
  const taxon = shippedFlora().taxa.find((t) => t.id === id);
  if (!taxon) throw new Error("the demonstration's broom is not in the flora");
  const { taxonIndex } = shippedModel();
  taxonIndex.set(to, taxonIndex.get(taxon.name) as number);
  taxonIndex.delete(taxon.name);
  taxon.name = to;
}

beforeAll(async () => {
  old = shippedFlora().taxa.find((t) => t.id === id)?.name as string;
  rename(NEW);
  // names are read once for each flora
  const { plantsIn } = await import("@/server/flora/plants");
  expect(plantsIn({ ...shippedFlora() }).byName(NEW)).toBeDefined();
});
afterAll(async () => {
  rename(old);
  await closePools();
});

describe("a plant that a later flora calls by another name", () => {
  it("is still on the list, under its new name, and the engine is told so", async () => {
    expect((await plantsOf(scout)).idOf(NEW)).toBe(id);
    const { status } = await inDistrict(OTTER, (tx) => listFor(tx, null));
    expect(status[NEW]).toBe("target");
    expect(status[old]).toBeUndefined();
    const source = await inDistrict(OTTER, readCaseSource, scout);
    const [{ id: siteId }] = (
      await inDistrict(OTTER, (tx) => tx.execute<{ id: string }>(sql`SELECT id FROM site LIMIT 1`))
    ).rows;
    const { case: given } = source.caseAt(siteId, {
      id: "x",
      day: "2026-06-01",
      stage: null,
      kit: [],
      observations: [],
    });
    expect(given.list[NEW]).toBe("target");
  });
  it("still has its patches, its findings and its entries in the ledger", async () => {
    const [patch] = (await patchLines(scout)).filter((p) => p.taxon === NEW);
    expect(patch).toBeDefined();
    const view = await patchDetail(scout, patch.id);
    expect(view.patch.taxon).toBe(NEW);
    expect(view.findings.some((f) => f.taxon === NEW)).toBe(true);
    const { page } = await ledgerPage(scout, readTableQuery({ find: NEW }, ["seq"], { sort: "seq", descending: true }));
    const own = page.rows;
    expect(own.length).toBeGreaterThan(0);
    expect(own.every((line) => line.plantId === id)).toBe(true);
    // what was sealed keeps the name of then
    for (const line of own) expect(line.body.taxon).toBe(old);
  });
});
