import { and, eq, isNull } from "drizzle-orm";
import { addDays } from "@/core/time";
import { followUp } from "@/db/schema";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { savePatch } from "@/server/ground/ground";
import { asMember } from "@/server/platform/session";
import { recordCheck } from "@/server/records/follow-ups";
import { recordTreatment } from "@/server/records/treatments";
import type { Valley } from "./control";
import { scoutPlant, wouldBeClear } from "./scouting";
import { outlineOf, type Stand } from "./stands";
import { polygonArea, toldOf } from "./told";
import { polygon } from "./valley";
import { id, type Place, refusedAs, shift } from "./world";

const NAME = "Along the rim path";
const METHOD = "cut-stump";
/** Looks that are tried until one is clear; the numbers are none of those that the world counts through. */
const LOOKS = Array.from({ length: 40 }, (_, i) => 700_001 + 168 * i);

/** A stand whose stumps were treated two seasons running with one site of action, and are planned for a third with the same. */
export function thirdSeason(valley: Valley, places: Place[]): void {
  const { world, agenda, crew } = valley;
  const place = places.find(({ spec }) => spec.name === "Bluff Prairie");
  if (!place) return;
  const season = Number(world.today.slice(0, 4));
  const stand: Stand = {
    ...{ place, taxon: "Genista monspessulana", name: NAME, patchId: null, left: 1 },
    ...{ at: middleOf(place), firstSeen: `${season - 2}-09-08`, chance: world.chance.named(NAME) },
  };
  for (const year of [season - 2, season - 1]) {
    const day = `${year}-09-08`;
    agenda.add(day, 9, async () => {
      const findingId = await found(valley, stand, day);
      if (findingId) agenda.add(addDays(day, 2), 14, () => treated(valley, stand, findingId, addDays(day, 10)));
    });
  }
  const lately = shift(world.today, -2);
  agenda.add(lately, 15, async () => {
    const findingId = await found(valley, stand, lately);
    if (!findingId) return;
    const { advice } = await planningFor(crew.bram, findingId);
    const window = advice.find((a) => a.method.id === METHOD)?.window;
    const on = window && (window.from > world.today ? window.from : world.today);
    if (on) await planned(valley, findingId, on).catch(refusedAs(null));
  });
}

const middleOf = ({ spec: { ring } }: Place): [number, number] => [
  ring.reduce((sum, [x]) => sum + x, 0) / ring.length + 60,
  ring.reduce((sum, [, y]) => sum + y, 0) / ring.length - 40,
];

/** A finding of the stand that is clear, on the patch that the first of them marked. @returns null where no look would be clear */
async function found({ world, crew }: Valley, stand: Stand, day: string): Promise<string | null> {
  const seed = LOOKS.find((look) => wouldBeClear(world, { ...stand, seed: look }, day));
  if (seed === undefined) return null;
  const saved = await scoutPlant(world, crew.wren, { ...stand, seed }, day);
  if (stand.patchId) return saved.id;
  stand.patchId = id();
  const outline = polygon(outlineOf(stand, day));
  await savePatch(crew.wren, {
    ...{ id: stand.patchId, siteId: stand.place.id, taxon: stand.taxon, name: stand.name },
    ...{ outline, coverShare: 0.3, findingId: saved.id },
  });
  return saved.id;
}

const planned = ({ crew, labels }: Valley, findingId: string, intendedOn: string): Promise<string> =>
  makePlan(crew.bram, {
    ...{ findingId, method: METHOD, intendedOn, personId: crew.tansy.personId, labelId: labels[0]?.id ?? "" },
    ...{ cover: "nothing", coverWhy: "The bunchgrass closes by itself." },
  });

async function treated(valley: Valley, stand: Stand, findingId: string, on: string): Promise<void> {
  const planId = await planned(valley, findingId, on);
  valley.agenda.add(on, 13, async () => {
    const areaM2 = Math.round(0.3 * polygonArea(outlineOf(stand, stand.firstSeen)));
    await recordTreatment(valley.crew.tansy, {
      ...{ id: id(), planId, treatment: toldOf(stand, on, areaM2, valley.labels[0]) },
    });
    await awaitCheck(valley, stand);
  });
}

/** Each check is done a few days after it falls due, and finds seedlings among the stumps; the last ones wait. */
async function awaitCheck(valley: Valley, stand: Stand): Promise<void> {
  const { world, agenda, crew } = valley;
  const [next] = await asMember(crew.wren, (tx) =>
    tx
      .select({ id: followUp.id, dueOn: followUp.dueOn })
      .from(followUp)
      .where(and(eq(followUp.patchId, stand.patchId ?? ""), isNull(followUp.doneOn), isNull(followUp.droppedAt))),
  );
  const on = next && addDays(next.dueOn, 3);
  if (!on || on > shift(world.today, -3)) return;
  agenda.add(on, 11, async () => {
    const isDone = await recordCheck(crew.wren, {
      ...{ id: next.id, doneOn: on, seen: "some", stages: ["seedling"] },
      note: "Seedlings of the seed in the ground, between the stumps.",
    })
      .then(() => true)
      .catch(refusedAs(false));
    if (isDone) await awaitCheck(valley, stand);
  });
}
