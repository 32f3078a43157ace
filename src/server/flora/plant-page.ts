import { firstOf, itemAt } from "@/core/items";
import { eq } from "drizzle-orm";
import { type Stage, STAGES } from "@/core/flora";
import { district, finding } from "@/db/schema";
import { listFor, listVersions } from "../control/list";
import { findingLines } from "../findings/findings";
import { patchLines, siteLines } from "../ground/ground";
import { asMember, type Member } from "../platform/session";
import { amendmentHistory, districtModel } from "./amendments";
import { shippedFlora } from "./flora";
import { plantsIn } from "./plants";
import { findTwins } from "./twins";

/** Findings of a plant that its page names. */
const MOST_FINDINGS = 6;

/**
 * All that the page of a plant shows of it in this district.
 * @param asked the stage to show; the plant's own, where it has that one not
 * @returns null where the flora has no such plant
 */
export async function plantPage(member: Member, id: string, asked: string | undefined) {
  const { list, model, here, ofDistrict, versions } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    model: await districtModel(tx),
    here: firstOf(await tx.select().from(district)),
    ofDistrict: await amendmentHistory(tx),
    versions: await listVersions(tx, id),
  }));
  const { flora } = model;
  const index = flora.taxa.findIndex((t) => t.id === id);
  if (index < 0) return null;
  const taxon = itemAt(flora.taxa, index);
  const history = ofDistrict.filter((a) => a.plantId === id);
  const addedHere = !shippedFlora().taxa.some((t) => t.name === taxon.name);
  const shown = STAGES.filter((s) => taxon.calendar[s]);
  const stage: Stage = shown.find((s) => s === asked) ?? (shown.includes("flowering") ? "flowering" : firstOf(shown));
  return {
    model,
    plants: plantsIn(flora),
    index,
    taxon,
    list,
    versions,
    here,
    history,
    addedHere,
    /** scores marked as changed here; of a plant that was added all are, and none is marked */
    amended: new Set(addedHere ? [] : history.filter((a) => !a.revertedAt).map((a) => a.key)),
    sites: await siteLines(member),
    scores: flora.scores.filter((s) => s.taxon === index && !s.notApplicable),
    mistaken: flora.pairs.filter((p) => !p.found && (p.a === id || p.b === id)),
    shown,
    stage,
    found: findTwins(model, id, stage, list.status),
    patches: (await patchLines(member)).filter((p) => p.taxon === taxon.name),
    findings: await asMember(member, (tx) => findingLines(tx, eq(finding.taxon, taxon.name), MOST_FINDINGS)),
  };
}
export type PlantPage = NonNullable<Awaited<ReturnType<typeof plantPage>>>;
