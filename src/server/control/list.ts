import { itemAt } from "@/core/items";
import { and, eq, isNull } from "drizzle-orm";
import { createHash } from "node:crypto";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { type Status, STATUSES } from "@/core/flora";
import { plainText } from "@/core/limits";
import type { Transaction } from "@/db/client";
import { listEntry, site } from "@/db/schema";
import { plantsHere, plantsOf } from "../flora/amendments";
import { edited, notFound, Refusal } from "../platform/faults";
import { now } from "../platform/clock";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

export interface PlaceList {
  status: Record<string, Status>;
  actions: Record<string, string>;
  /** plants that are reported before anything is done about them: no line of a site takes that away */
  reportFirst: Set<string>;
  version: string;
}

/** The district's list as it holds on one site, or as a whole: the district's entries, overlaid by the site's own. */
export const listFor = async (tx: Transaction, siteId: string | null): Promise<PlaceList> =>
  (await listsByPlace(tx))(siteId);

/** The list as it holds on each site, read once. Plants are found by their frozen ids and go by their names of now. */
export async function listsByPlace(tx: Transaction): Promise<(siteId: string | null) => PlaceList> {
  const plants = await plantsHere(tx);
  const all = await tx
    .select({
      plantId: listEntry.plantId,
      taxon: listEntry.taxon,
      status: listEntry.status,
      action: listEntry.action,
      reportFirst: listEntry.reportFirst,
      siteId: listEntry.siteId,
    })
    .from(listEntry)
    .orderBy(listEntry.taxon);
  const rows = all.map((row) => ({ ...row, taxon: plants.nameNow(row) }));
  const made = new Map<string | null, PlaceList>();
  return (siteId) => {
    const known = made.get(siteId) ?? placeList(rows.filter((r) => r.siteId === null || r.siteId === siteId));
    made.set(siteId, known);
    return known;
  };
}

type ListRow = { taxon: string; status: Status; action: string | null; reportFirst: boolean; siteId: string | null };
function placeList(rows: ListRow[]): PlaceList {
  const status: Record<string, Status> = {};
  const actions: Record<string, string> = {};
  for (const row of [...rows.filter((r) => !r.siteId), ...rows.filter((r) => r.siteId)]) {
    status[row.taxon] = row.status;
    if (row.action) actions[row.taxon] = row.action;
  }
  const version = createHash("sha256")
    .update(JSON.stringify([status, actions]))
    .digest("hex")
    .slice(0, 12);
  const reportFirst = new Set(rows.filter((r) => r.reportFirst || r.status === "watch").map((r) => r.taxon));
  return { status, actions, reportFirst, version };
}

/** Versions of a plant's lines, by site, "" for the district. */
export async function listVersions(tx: Transaction, plantId: string): Promise<Record<string, number>> {
  const rows = await tx
    .select({ siteId: listEntry.siteId, version: listEntry.version })
    .from(listEntry)
    .where(eq(listEntry.plantId, plantId));
  return Object.fromEntries(rows.map((r) => [r.siteId ?? "", r.version]));
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const statusInputSchema = z.object({
  taxon: z.string().min(1).max(200),
  /** versions of the plant's lines as they were shown, by site, "" for the district; absent where none were shown */
  versions: z
    .string()
    .max(20_000)
    .optional()
    .transform((text, context) => {
      if (!text) return undefined;
      const read = z.record(z.string(), z.number().int()).safeParse(parsed(text));
      if (!read.success) context.addIssue({ code: "custom", message: "versions of lines, as the page sent them" });
      return read.data;
    }),
  status: z.enum(STATUSES),
  siteId: z.union([z.uuid(), z.literal("")]).default(""),
  action: plainText(0, 80, "").optional(),
  /** a target that is reported before anything is done; a form sends "on" */
  reportFirst: z.union([z.boolean(), z.literal("on").transform(() => true)]).default(false),
});

/** Puts a plant on the district's list, or on one site's exceptions; who and when are kept. Verdicts already given stay as they were. */
export async function setStatus(member: Member, raw: unknown): Promise<Status> {
  const input = statusInputSchema.parse(raw);
  const plants = await plantsOf(member);
  plants.mustHold(input.taxon);
  const siteId = input.siteId || null;
  const plantId = plants.idOf(input.taxon);
  const set = {
    status: input.status,
    taxon: input.taxon,
    action: input.action || null,
    reportFirst: input.reportFirst,
    changedAt: now(),
    ...signature("changedBy", member),
  };
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [known] = await tx
      .select()
      .from(listEntry)
      .where(and(eq(listEntry.plantId, plantId), siteId ? eq(listEntry.siteId, siteId) : isNull(listEntry.siteId)))
      .for("update");
    if (input.versions && (input.versions[siteId ?? ""] ?? 0) !== (known?.version ?? 0))
      throw edited(
        `What ${input.taxon} is here`,
        known ? `${known.status}${known.action ? `, ${known.action}` : ""} (${known.changedBy})` : "not on the list",
        `${input.status}${input.action ? `, ${input.action}` : ""}`,
      );
    if (siteId) await mustBeSite(tx, siteId);
    await tx
      .insert(listEntry)
      .values({ districtId: member.districtId, id: uuidv7(), plantId, siteId, ...set })
      .onConflictDoUpdate({ target: [listEntry.districtId, listEntry.plantId, listEntry.siteId], set });
  });
  return input.status;
}

async function mustBeSite(tx: Transaction, siteId: string): Promise<void> {
  const [there] = await tx.select({ id: site.id }).from(site).where(eq(site.id, siteId));
  if (!there) throw notFound("The site");
}

export interface ListLine {
  taxon: string;
  /** null where the district as a whole says nothing and only a site does: then it counts as kept */
  entry: {
    id: string;
    version: number;
    status: Status;
    action: string | null;
    reportFirst: boolean;
    changedBy: string;
    changedAt: Date;
  } | null;
  exceptions: { id: string; siteId: string; siteName: string; status: Status; changedBy: string; changedAt: Date }[];
}

/** The whole list on one sheet: each plant with its status in the district and where a site says otherwise. */
export async function listLines(member: Member): Promise<ListLine[]> {
  const rows = await asMember(member, (tx) =>
    tx
      .select({ entry: listEntry, siteName: site.name })
      .from(listEntry)
      .leftJoin(site, eq(listEntry.siteId, site.id))
      .orderBy(listEntry.taxon, site.name),
  );
  const plants = await plantsOf(member);
  const lines = new Map<string, ListLine>();
  for (const { entry, siteName } of rows) {
    const taxon = plants.nameNow(entry);
    const line = lines.get(taxon) ?? { taxon, entry: null, exceptions: [] };
    const { id, version, status, action, reportFirst, changedBy, changedAt } = entry;
    if (entry.siteId)
      line.exceptions.push({ id, siteId: entry.siteId, siteName: siteName ?? "", status, changedBy, changedAt });
    else line.entry = { id, version, status, action, reportFirst, changedBy, changedAt };
    lines.set(taxon, line);
  }
  return [...lines.values()];
}

/** Takes one line off the list: a site follows the district again, a plant of the district counts as kept again. */
export async function takeOffList(member: Member, raw: unknown): Promise<string> {
  const { id } = z.object({ id: z.uuid() }).parse(raw);
  const gone = await asMember(member, (tx) =>
    tx.delete(listEntry).where(eq(listEntry.id, id)).returning({ taxon: listEntry.taxon }),
  );
  if (gone.length === 0) throw new Refusal(404, "That line is no longer on the list.", []);
  return itemAt(gone, 0).taxon;
}
