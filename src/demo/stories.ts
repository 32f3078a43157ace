import { eq } from "drizzle-orm";
import { addDays } from "@/core/time";
import { plan } from "@/db/schema";
import { setStatus } from "@/server/control/list";
import { overrule } from "@/server/findings/findings";
import { savePatch } from "@/server/ground/ground";
import { sayWater } from "@/server/ground/water";
import { asMember } from "@/server/platform/session";
import { recordTreatment } from "@/server/records/treatments";
import { voidEntry } from "@/server/records/voids";
import { makeReport } from "@/server/reports/reports";
import { sendReport } from "@/server/reports/send";
import type { RegistryPort } from "@/ports/registry";
import type { Valley } from "./control";
import { scoutPlant } from "./scouting";
import { spotAt, type Stand, staying } from "./stands";
import { type Meters, polygon } from "./valley";
import { id, OTTER, type Place, shift } from "./world";

/** Plants that stay, looked at in passing: some of them for long enough to be known, some not. */
export function inPassing(valley: Valley, places: Place[]): void {
  const { world, agenda, crew } = valley;
  const others = staying(world, places);
  for (const [i, { place, taxon }] of [...others, ...others.slice(0, 14)].entries()) {
    const day = shift(world.today, -(3 + ((i * 17) % 330)));
    const { at } = spotAt(place, i * 2 + 1, world.chance);
    agenda.add(day, 10 + (i % 6), async () => {
      await scoutPlant(world, i % 2 ? crew.wren : crew.bram, { place, taxon, at, most: i % 3 === 1 ? 4 : 25 }, day);
    });
  }
}

const square = ([x, y]: Meters, half: number): Meters[] => [
  [x - half, y - half],
  [x + half, y - half],
  [x + half, y + half],
  [x - half, y + half],
];

/** A patch around plants that stay, so that work nearby spares them. */
export function keptPatch(valley: Valley, places: Place[], siteName: string, taxon: string, daysAgo: number): void {
  const { world, agenda, crew } = valley;
  const place = places.find((p) => p.spec.name === siteName);
  if (!place) return;
  const day = shift(world.today, -daysAgo);
  const { name, at } = spotAt(place, 4, world.chance);
  agenda.add(day, 12, async () => {
    const patchId = id();
    const found = await scoutPlant(world, crew.bram, { place, taxon, at }, day);
    await savePatch(crew.bram, {
      id: patchId,
      siteId: place.id,
      taxon,
      name: `${name}, to be spared`,
      outline: polygon(square(at, 7)),
      coverShare: 0.6,
      findingId: found.id,
    });
  });
}

/** A treatment recorded on the wrong patch is voided, and recorded again; another is corrected by the one who did it. */
export function mended(valley: Valley): void {
  const { agenda, crew, entries, world } = valley;
  let corrected = "";
  agenda.add(shift(world.today, -15), 16, async () => {
    const wrong = entries.filter(({ entryId }) => entryId !== corrected).at(-2);
    if (!wrong) return;
    await voidEntry(crew.bram, {
      id: id(),
      entryId: wrong.entryId,
      reason: "Written on the wrong patch: the work was done across the track. To be recorded there.",
    });
  });
  agenda.add(shift(world.today, -30), 16, async () => {
    const misread = entries.at(-1);
    if (!misread) return;
    corrected = misread.entryId;
    await recordTreatment(crew.tansy, {
      id: id(),
      supersedes: misread.entryId,
      treatment: {
        ...{ from: `${misread.day}T08:00`, to: `${misread.day}T09:30`, areaM2: 40, stage: "vegetative" },
        ...{ equipment: "hand tools, gloves", windMS: 2, windFrom: "SW", temperatureC: 14, note: "" },
        correctionReason: "The area was read off the wrong line: 40 m², not the whole patch.",
      },
    }).catch(() => undefined);
  });
}

/** A specialist overrules a finding that needs a part that nobody can see yet. */
export function overruled(valley: Valley): void {
  const { agenda, crew, held, world } = valley;
  agenda.add(shift(world.today, -9), 17, async () => {
    const [known] = held.filter(({ day }) => day > shift(world.today, -110)).slice(-2);
    if (!known) return;
    await overrule(crew.bram, {
      findingId: known.findingId,
      taxon: known.stand.taxon,
      reason: "I keyed the same stand in flower last summer, and last year's stems still stand beside it.",
    });
  });
}

/** What a specialist saw of a plant that the scouts cannot tell from its native look-alike. */
const SEEN_BY_SPECIALIST: Record<string, string> = {
  "Clematis vitalba":
    "I opened the flowers of this stand last summer: each has stamens and styles. The native vine beside it has them on separate plants.",
};

/** A stand that scouts looked at four times without a name is named by a specialist, in writing, and work goes on. */
export function namedBySpecialist(valley: Valley): void {
  const { agenda, crew } = valley;
  valley.standsUnnamed = async (stand, findingId, day) => {
    const reason = SEEN_BY_SPECIALIST[stand.taxon];
    if (!reason) return;
    const on = addDays(day, 3);
    agenda.add(on, 16, async () => {
      await overrule(crew.bram, { findingId, taxon: stand.taxon, reason });
      await valley.judged(stand, findingId, on);
    });
  };
}

/** A registry that sends back what it is handed, and says what is missing. */
const PARTICULAR: RegistryPort = {
  simulated: true,
  hand: async () => ({ said: "refused", why: "Say how many plants there are, and whether seed is ripe." }),
};

/** The report of one stand is sent back, and made again with what was missing. */
export function sentBack(valley: Valley, stand: Stand): void {
  valley.reported = async (of, findingId, day) => {
    if (of !== stand || valley.sentBack) return valley.report(findingId, day, "");
    valley.sentBack = true;
    const reportId = await makeReport(valley.crew.wren, { id: id(), findingId, note: "Found while mowing." });
    await sendReport(OTTER, valley.crew.wren, reportId, PARTICULAR);
    const again = addDays(day, 1);
    valley.agenda.add(again, 9, () => valley.report(findingId, again, "About sixty plants. No ripe seed yet."));
  };
}

/** Something closes the gate after work was planned: the owner of one site wants the plant left. */
export function gateClosed(valley: Valley): void {
  const { agenda, crew, world, plans } = valley;
  agenda.add(shift(world.today, -2), 17, async () => {
    const planned = await asMember(crew.odile, (tx) =>
      tx.select({ id: plan.id, taxon: plan.taxon }).from(plan).where(eq(plan.state, "planned")),
    );
    const taxonOf = (planId: string) => planned.find((held) => held.id === planId)?.taxon;
    const open = plans.filter(({ planId }) => taxonOf(planId) !== undefined).at(-1);
    if (!open) return;
    await setStatus(crew.odile, {
      // What the plan is against is what the finding said; a scout may have been wrong about the stand.
      taxon: taxonOf(open.planId),
      status: "tolerated",
      siteId: open.stand.place.id,
      action: "",
    });
  });
}

/** What a scout saw of water at a patch, on the ground. */
export function waterSeen(valley: Valley): void {
  const { agenda, crew, world, entries } = valley;
  agenda.add(shift(world.today, -20), 12, async () => {
    const at = entries.at(-1)?.stand;
    if (!at?.patchId) return;
    const day = shift(world.today, -20);
    await sayWater(crew.wren, { id: id(), patchId: at.patchId, kind: "none", meters: 60, day });
  });
}
