import { firstOf } from "@/core/items";
import { z } from "zod";
import { districtSettingsSchema } from "@/contracts/stored";
import { plainText } from "@/core/limits";
import { isZone } from "@/core/time";
import { MOST_SHIFT, stageBegins } from "@/core/flora";
import type { Transaction } from "@/db/client";
import { district } from "@/db/schema";
import { listFor } from "../control/list";
import { plantsHere } from "../flora/amendments";
import { todayIn } from "../platform/clock";
import { edited } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";

const seasonSchema = z.object({
  version: z.coerce.number().int(),
  hemisphere: z.enum(["north", "south"]),
  seasonShift: z.coerce
    .number("give a whole number of days")
    .int("give a whole number of days")
    .min(-MOST_SHIFT, `at least −${MOST_SHIFT}`)
    .max(MOST_SHIFT, `at most ${MOST_SHIFT}`),
});

/** Says where the district lies in the year. Verdicts already given are not rewritten; windows of plans stay as they were planned. */
export async function setSeason(member: Member, raw: unknown): Promise<void> {
  const { version, ...input } = seasonSchema.parse(raw);
  await asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district).for("update"));
    const words = (s: { hemisphere: string; seasonShift: number }) =>
      `${s.hemisphere}, spring later by ${s.seasonShift} days`;
    if (here.version !== version) throw edited("The season here", words(here), words(input));
    await tx.update(district).set(input);
  });
}

const settingsSchema = z.object({
  version: z.coerce.number().int(),
  name: plainText(2, 80, "name the district"),
  zone: z.string().max(60).refine(isZone, "give a time zone such as America/Los_Angeles"),
  settings: districtSettingsSchema.extend({
    findingSeasons: z.coerce
      .number("give a whole number of seasons")
      .int("give a whole number of seasons")
      .min(0)
      .max(10, "at most 10"),
    reportTo: z.union([z.literal(""), z.email("give an email address, or leave it empty")]),
  }),
});

/** What a district settles for itself: its name and zone, units, how long findings count, what every record needs, usual winds, where reports go. */
export async function setSettings(member: Member, raw: unknown): Promise<void> {
  const { version, ...input } = settingsSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const here = firstOf(await tx.select().from(district).for("update"));
    if (here.version !== version)
      throw edited("The settings", JSON.stringify(here.settings), JSON.stringify(input.settings));
    await tx.update(district).set(input);
  });
}

/** The district as its keeper sees it. */
export const settingsOf = (member: Member) =>
  asMember(member, async (tx) => {
    const { name, zone, settings, version } = firstOf(await tx.select().from(district));
    return { name, zone, settings, version };
  });

const EXAMPLES = 5;

/** The district's season, and when some of the plants that it acts on flower by it: by these a keeper sees whether it is right. */
export async function seasonOf(member: Member) {
  return asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    const { status } = await listFor(tx, null);
    const plants = await plantsHere(tx);
    const year = todayIn(here.zone).slice(0, 4);
    const targets = Object.keys(status).filter((name) => status[name] === "target");
    const examples = targets.flatMap((name) => {
      const taxon = plants.byName(name);
      const midwinter = here.hemisphere === "north" ? `${year}-01-01` : `${year}-07-01`;
      const from = taxon && stageBegins(taxon, "flowering", midwinter, here);
      return from && from > midwinter ? [{ plant: plants.common(name), from }] : [];
    });
    return {
      version: here.version,
      hemisphere: here.hemisphere,
      seasonShift: here.seasonShift,
      examples: examples
        .sort((a, b) => a.from.localeCompare(b.from))
        .filter((_, i, all) => i % Math.ceil(all.length / EXAMPLES) === 0),
    };
  });
}

/** The time zone in which the district's days and hours are told. */
export async function districtZone(tx: Transaction): Promise<string> {
  const { zone } = firstOf(await tx.select({ zone: district.zone }).from(district));
  return zone;
}
