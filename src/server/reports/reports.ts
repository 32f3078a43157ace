import { firstOf } from "@/core/items";
import { and, asc, eq, ne, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { acknowledgmentSchema, answerSchema, reportEventSchema, reportSchema, waiverSchema } from "@/contracts/report";
import { addDays, mustBePast } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, finding, job, report, reportEvent, site } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { reportWay } from "@/env";
import { plantsHere } from "../flora/amendments";
import { now, todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

type Report = typeof report.$inferSelect;
type EventKind = (typeof reportEvent.$inferInsert)["kind"];

/**
 * Reports a finding, once: while one report of it is on its way or was settled there is no second. It is handed over by a job, or
 * printed where the district has nowhere to send it.
 * @returns the report's id
 */
export async function makeReport(member: Member, raw: unknown): Promise<string> {
  const input = reportSchema.parse(raw);
  return asMember(member, async (tx) => {
    const [known] = await tx.select({ id: report.id }).from(report).where(eq(report.id, input.id));
    if (known) return known.id;
    await count(tx, member, "letter");
    const found = await findingToReport(tx, input.findingId);
    const here = firstOf(await tx.select({ name: district.name, settings: district.settings }).from(district));
    const way = reportWay(here.settings.reportTo);
    await tx.insert(report).values({
      districtId: member.districtId,
      id: input.id,
      findingId: found.f.id,
      plantId: found.f.plantId ?? "",
      taxon: found.taxon,
      way,
      body: textOf(found, here.name, member, input.note),
      createdAt: now(),
      ...signature("madeBy", member),
    });
    if (way === "registry") await askToSend(tx, member, input.id);
    return input.id;
  });
}

async function findingToReport(tx: Transaction, findingId: string) {
  const [row] = await tx
    .select({
      f: finding,
      site: site.name,
      lng: sql<number>`ST_X(${finding.place})`,
      lat: sql<number>`ST_Y(${finding.place})`,
    })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(eq(finding.id, findingId))
    .for("update", { of: finding });
  if (!row) throw notFound("The finding");
  if (!row.f.taxon) throw new Refusal(409, "This finding names no plant yet. There is nothing to report.");
  const [open] = await tx
    .select({ state: report.state })
    .from(report)
    .where(and(eq(report.findingId, findingId), ne(report.state, "refused")));
  if (open) throw new Refusal(409, `This finding was reported already: the report is ${open.state}.`);
  return { ...row, taxon: (await plantsHere(tx)).nameNow(row.f) };
}

/** What is sent: lines that a person and a program can read. */
const textOf = (
  found: Awaited<ReturnType<typeof findingToReport>>,
  districtName: string,
  member: Member,
  note: string,
): string =>
  [
    `Plant: ${found.taxon}`,
    `Place: ${found.lat.toFixed(5)}, ${found.lng.toFixed(5)} (WGS 84), ${found.site}`,
    `Seen on: ${found.f.day}`,
    `Stage: ${found.f.stage ?? "not said"}`,
    `Finding: F-${found.f.number} of ${districtName}, by ${found.f.madeBy}`,
    `Verdict: ${found.f.overruled ? "a specialist's word" : found.f.verdict}. ${found.f.because}`,
    `Reported by: ${member.personName}`,
    ...(note ? [`Note: ${note}`] : []),
  ].join("\n");

const askToSend = (tx: Transaction, member: Member, reportId: string) =>
  tx.insert(job).values({
    districtId: member.districtId,
    id: uuidv7(),
    kind: "report",
    input: { reportId },
    ...signature("askedBy", member),
  });

async function openReport(tx: Transaction, id: string): Promise<Report> {
  const [held] = await tx.select().from(report).where(eq(report.id, id)).for("update");
  if (!held) throw notFound("The report");
  if (held.state === "acknowledged" || held.state === "waived")
    throw new Refusal(409, `This report is ${held.state} already.`);
  return held;
}

const note = (tx: Transaction, member: Member, reportId: string, kind: EventKind, body: unknown) =>
  tx.insert(reportEvent).values({
    districtId: member.districtId,
    id: uuidv7(),
    reportId,
    kind,
    body,
    at: now(),
    ...signature("by", member),
  });

/** A person enters the acknowledgment that came by letter or telephone: who gave it, on which day, under which reference. */
export async function acknowledge(member: Member, raw: unknown): Promise<void> {
  const input = acknowledgmentSchema.parse(raw);
  await asMember(member, async (tx) => {
    const held = await openReport(tx, input.reportId);
    const zone = firstOf(await tx.select({ zone: district.zone }).from(district)).zone;
    mustBePast("day", input.day, todayIn(zone));
    const made = held.createdAt.toISOString().slice(0, 10);
    if (input.day < addDays(made, -1))
      throw new Refusal(400, "The acknowledgment is older than the report.", [
        { field: "day", what: `give a day from ${made} on` },
      ]);
    await count(tx, member, "change");
    await note(tx, member, held.id, "acknowledged", { text: "", ...input });
    await tx
      .update(report)
      .set({ state: "acknowledged", reference: input.reference, settledOn: input.day, settledAt: now() })
      .where(eq(report.id, held.id));
  });
}

/** A specialist's written word that the acknowledgment is not waited for. It stays on the report permanently. */
export async function waive(member: Member, raw: unknown): Promise<void> {
  const input = waiverSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [open] = await tx
      .select()
      .from(report)
      .where(and(eq(report.findingId, input.findingId), ne(report.state, "refused")));
    const id = open?.id ?? (await reportToWaive(tx, member, input.findingId));
    await openReport(tx, id);
    const zone = firstOf(await tx.select({ zone: district.zone }).from(district)).zone;
    await note(tx, member, id, "waived", { text: input.reason });
    await tx
      .update(report)
      .set({ state: "waived", settledOn: todayIn(zone), settledAt: now() })
      .where(eq(report.id, id));
  });
}

async function reportToWaive(tx: Transaction, member: Member, findingId: string): Promise<string> {
  const found = await findingToReport(tx, findingId);
  const here = firstOf(await tx.select({ name: district.name }).from(district));
  const id = uuidv7();
  await tx.insert(report).values({
    districtId: member.districtId,
    id,
    findingId,
    plantId: found.f.plantId ?? "",
    taxon: found.taxon,
    way: "printed",
    body: textOf(found, here.name, member, ""),
    createdAt: now(),
    ...signature("madeBy", member),
  });
  return id;
}

/** Answers what the registry asked; the answer goes the way of the report. */
export async function answerQuestion(member: Member, raw: unknown): Promise<void> {
  const input = answerSchema.parse(raw);
  await asMember(member, async (tx) => {
    const held = await openReport(tx, input.reportId);
    if (held.state !== "question") throw new Refusal(409, "The registry has no open question.");
    await count(tx, member, "letter");
    await note(tx, member, held.id, "answer", { text: input.answer });
    await tx.update(report).set({ state: "waiting" }).where(eq(report.id, held.id));
    if (held.way === "registry") await askToSend(tx, member, held.id);
  });
}

/** One report with its history. @throws {Refusal} 404 */
export async function reportDetail(member: Member, id: string) {
  if (!z.uuid().safeParse(id).success) throw notFound("The report");
  return asMember(member, async (tx) => {
    const [row] = await tx
      .select({ report, number: finding.number, zone: district.zone })
      .from(report)
      .innerJoin(finding, eq(finding.id, report.findingId))
      .innerJoin(district, eq(district.districtId, report.districtId))
      .where(eq(report.id, id));
    if (!row) throw notFound("The report");
    return { ...row, events: await eventsOf(tx, id), today: todayIn(row.zone) };
  });
}

export async function eventsOf(tx: Transaction, reportId: string) {
  const rows = await tx
    .select()
    .from(reportEvent)
    .where(eq(reportEvent.reportId, reportId))
    .orderBy(asc(reportEvent.at), asc(reportEvent.id));
  return rows.map((row) => ({ ...row, body: readStored("report_event.body", reportEventSchema, row.body) }));
}

/** Reports of a finding, newest first. */
export const reportsOf = (tx: Transaction, findingId: string) =>
  tx
    .select({ id: report.id, state: report.state, createdAt: report.createdAt, reference: report.reference })
    .from(report)
    .where(eq(report.findingId, findingId))
    .orderBy(sql`${report.createdAt} DESC`);
