import { and, desc, eq, isNull } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { plainText } from "@/core/limits";
import { cleanStanding, type CleanStanding, lastVisitSeason, nextVisit } from "@/core/season";
import { dayIn } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, followUp, goneWord, patch } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { methodsHere } from "../flora/own-methods";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";
import { standingEntries } from "./standing-entries";

/** What is known of a patch since it was treated last, for whoever plans its visits. */
export interface PatchVisits {
  treatedOn: string;
  entryId: string;
  kind: string;
  visits: { day: string; seen: "none" | "some" | "many" | null }[];
  standing: CleanStanding;
  /** the last season in which it is visited; null where only a specialist can say that it is gone */
  lastSeason: number | null;
  plant: { seedYears?: [number, number]; sprouts: string[]; fragments: string };
  hemisphere: "north" | "south";
}

/** A plant of which nothing is recorded is never gone by itself. */
const UNKNOWN_PLANT: PatchVisits["plant"] = { sprouts: [], fragments: "unknown" };

/** @returns null where no treatment stands on the patch; sowing is none */
export async function visitsOf(tx: Transaction, patchId: string): Promise<PatchVisits | null> {
  const methods = await methodsHere(tx);
  const entries = (await standingEntries(tx, patchId))
    .map((entry) => ({ ...entry, kind: methods(entry.body.method)?.kind ?? "hand" }))
    .filter(({ kind }) => kind !== "follow")
    .map((entry) => ({ ...entry, day: dayIn(entry.body.zone, new Date(entry.body.to)) }))
    .sort((a, b) => a.day.localeCompare(b.day) || a.seq - b.seq);
  const last = entries.at(-1);
  if (!last) return null;
  const [row] = await tx
    .select({ plantId: patch.plantId, taxon: patch.taxon, hemisphere: district.hemisphere })
    .from(patch)
    .innerJoin(district, eq(district.districtId, patch.districtId))
    .where(eq(patch.id, patchId));
  if (!row) return null;
  const plants = await plantsHere(tx);
  const plant = plants.byName(plants.nameNow(row)) ?? UNKNOWN_PLANT;
  const done = await tx
    .select({ day: followUp.doneOn, result: followUp.result })
    .from(followUp)
    .where(and(eq(followUp.patchId, patchId), isNull(followUp.droppedAt)));
  const visits = done.flatMap(({ day, result }) =>
    day !== null && day >= last.day ? [{ day, seen: result?.seen ?? null }] : [],
  );
  const seen = visits.filter((visit) => visit.seen !== "none").map(({ day }) => day);
  return {
    treatedOn: last.day,
    entryId: last.id,
    kind: last.kind,
    visits,
    standing: cleanStanding(plant, visits, row.hemisphere),
    lastSeason: lastVisitSeason(plant, [last.day, ...seen].sort().at(-1) as string, row.hemisphere),
    plant,
    hemisphere: row.hemisphere,
  };
}

/**
 * Sees to it that a patch has the one visit that is next, and no other; a patch that has been clean for long enough is gone, and has
 * none.
 */
export async function settleVisits(tx: Transaction, districtId: string, patchId: string): Promise<void> {
  const known = await visitsOf(tx, patchId);
  if (known?.standing.gone) await tx.update(patch).set({ state: "gone" }).where(eq(patch.id, patchId));
  const next = known && !known.standing.gone ? nextVisit(known.plant, known, known.hemisphere) : null;
  const waiting = and(eq(followUp.patchId, patchId), isNull(followUp.doneOn), isNull(followUp.droppedAt));
  const [due] = await tx.select().from(followUp).where(waiting).orderBy(followUp.dueOn).limit(1);
  if (due && next && due.ledgerId === known?.entryId && due.dueOn === next.dueOn) return;
  if (due) await tx.update(followUp).set({ droppedAt: now() }).where(waiting);
  if (next) await tx.insert(followUp).values({ districtId, id: uuidv7(), patchId, ledgerId: known?.entryId, ...next });
}

const wordSchema = z.object({
  id: z.uuid(),
  patchId: z.uuid(),
  reason: plainText(20, 1000, "say in at least 20 letters how you know", true),
});

/** A specialist's written word that a patch is gone. What was due there is due no more. */
export async function sayGone(member: Member, raw: unknown): Promise<void> {
  const input = wordSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx.select().from(patch).where(eq(patch.id, input.patchId)).for("update");
    if (!held) throw notFound("The patch");
    if (held.state === "gone") throw new Refusal(409, "This patch is gone already.");
    if (held.withdrawnAt) throw new Refusal(409, "This patch was withdrawn.");
    await tx
      .insert(goneWord)
      .values({ districtId: member.districtId, ...input, at: now(), ...signature("by", member) })
      .onConflictDoNothing();
    await tx.update(patch).set({ state: "gone" }).where(eq(patch.id, held.id));
    await tx
      .update(followUp)
      .set({ droppedAt: now() })
      .where(and(eq(followUp.patchId, held.id), isNull(followUp.doneOn), isNull(followUp.droppedAt)));
  });
}

/** How a patch's visits stand, for its page. */
export async function visitStanding(tx: Transaction, patchId: string) {
  const known = await visitsOf(tx, patchId);
  const [word] = await tx
    .select()
    .from(goneWord)
    .where(eq(goneWord.patchId, patchId))
    .orderBy(desc(goneWord.at))
    .limit(1);
  return {
    since: known?.treatedOn ?? null,
    ...(known?.standing ?? { seasons: 0, needed: null, gone: false }),
    lastSeason: known?.lastSeason ?? null,
    seedYears: known?.plant.seedYears ?? null,
    word: word ? { by: word.by, reason: word.reason, at: word.at.toISOString() } : null,
  };
}

/** A plant that is found on a patch that was gone opens it again. */
export async function reopenIfGone(tx: Transaction, patchId: string): Promise<void> {
  await tx
    .update(patch)
    .set({ state: "open" })
    .where(and(eq(patch.id, patchId), eq(patch.state, "gone")));
}
