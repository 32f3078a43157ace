import { z } from "zod";
import { MOST_SHIFT, stageBegins } from "@/core/identify";
import { district } from "@/db/schema";
import { todayIn } from "./clock";
import { listFor } from "./list";
import { plantsHere } from "./plants";
import { asMember, type Member } from "./session";

export const seasonSchema = z.object({
  hemisphere: z.enum(["north", "south"]),
  seasonShift: z.coerce
    .number("give a whole number of days")
    .int("give a whole number of days")
    .min(-MOST_SHIFT, `at least −${MOST_SHIFT}`)
    .max(MOST_SHIFT, `at most ${MOST_SHIFT}`),
});

/** Says where the district lies in the year. Verdicts already given are not rewritten; windows of plans stay as they were planned. */
export async function setSeason(member: Member, raw: unknown): Promise<void> {
  const input = seasonSchema.parse(raw);
  await asMember(member, (tx) => tx.update(district).set(input));
}

const EXAMPLES = 5;

/** The district's season, and when some of the plants that it acts on flower by it: by these a keeper sees whether it is right. */
export async function seasonOf(member: Member) {
  return asMember(member, async (tx) => {
    const [here] = await tx.select().from(district);
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
      hemisphere: here.hemisphere,
      seasonShift: here.seasonShift,
      examples: examples
        .sort((a, b) => a.from.localeCompare(b.from))
        .filter((_, i, all) => i % Math.ceil(all.length / EXAMPLES) === 0),
    };
  });
}
