import { addDays } from "@/core/time";
import { ownMethodOf } from "./own-method";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { saveOwnMethod } from "@/server/flora/own-methods";
import { saveCrew } from "@/server/people/crews";
import { setWeekHours } from "@/server/people/people";
import { labelSheet } from "@/papers/label-sheet";
import { sheetToPdf } from "@/papers/sheet-pdf";
import { saveLabel, saveLabelPaper } from "@/server/records/labels";
import { sayGone } from "@/server/records/visits";
import type { Valley } from "./control";
import { id, shift, SINCE_DAYS } from "./world";

/** Who goes out together, and how many hours each has, said in the first days. */
export async function crewsAndHours({ crew }: Valley): Promise<void> {
  const { wren, bram, tansy, odile } = crew;
  await saveCrew(bram, { id: id(), name: "River crew", memberIds: [tansy.personId, wren.personId] });
  await saveCrew(bram, { id: id(), name: "Meadow crew", memberIds: [odile.personId, tansy.personId, wren.personId] });
  for (const [person, weekHours] of [
    [wren, 20],
    [bram, 16],
    [tansy, 32],
  ] as const)
    await setWeekHours(odile, { personId: person.personId, weekHours });
}

/** After a wet year the specialist writes down that the valley mows later than the shipped file says. */
export function mowsLater(valley: Valley): void {
  valley.agenda.add(addDays(shift(valley.world.today, -SINCE_DAYS), 330), 18, async () => {
    await saveOwnMethod(valley.crew.bram, ownMethodOf());
  });
}

/** A label is printed again with a lower rate: what was planned under the old one has to be confirmed. */
export function labelChanged(valley: Valley): void {
  const { agenda, crew, labels, world } = valley;
  agenda.add(shift(world.today, -3), 17, async () => {
    const held = labels[0];
    if (!held) return;
    await plannedUnder(valley, held.id);
    const next = { ...held, id: id(), limits: { ...held.limits, ratePerHaMax: 4, humidityMinPercent: 30 } };
    await saveLabel(crew.tansy, { ...next, replaces: held.id });
    labels[0] = next;
    await keepPaper(valley, next, 2);
  });
}

/** The labels' own PDFs, so that they can be read at the truck: each says that it is invented. */
export function labelPapers(valley: Valley): void {
  valley.agenda.add(shift(valley.world.today, 1 - SINCE_DAYS), 16, async () => {
    for (const held of valley.labels) await keepPaper(valley, held, 1);
  });
}

async function keepPaper({ crew }: Valley, { id: labelId, name, limits }: Valley["labels"][number], version: number) {
  const sheet = labelSheet({ name, version, limits, enteredBy: "nobody", named: {} }, "");
  const invented = "Invented for the demonstration. There is no such product.";
  await saveLabelPaper(
    crew.tansy,
    labelId,
    await sheetToPdf({ ...sheet, parts: sheet.parts.slice(0, -1), about: [invented], foot: invented }),
  );
}

/** Work with a product that was planned the day before the label changed, on the newest finding that allows it. */
async function plannedUnder({ crew, plans, judgedClear }: Valley, labelId: string): Promise<void> {
  const known = [...judgedClear, ...plans].reverse();
  for (const { findingId } of known) {
    const view = await planningFor(crew.bram, findingId).catch(() => null);
    const advice = view?.advice.find((a) => a.method.kind === "product" && a.window && a.answer !== "never");
    if (!view || view.reasons.length > 0 || view.others.length > 0 || !advice?.window) continue;
    const made = await makePlan(crew.bram, {
      ...{ findingId, method: advice.method.id, intendedOn: advice.window.to, personId: crew.tansy.personId, labelId },
      ...{ cover: "nothing", coverWhy: "The first year shows what comes up." },
    }).catch(() => null);
    if (made) return;
  }
}

/** A stand that a specialist has looked for on hands and knees is written off. */
export function writtenOff(valley: Valley): void {
  const { agenda, crew, entries, world } = valley;
  agenda.add(shift(world.today, -12), 16, async () => {
    const old = entries.find(({ day, stand }) => day < shift(world.today, -500) && stand.left < 0.04 && stand.patchId);
    if (!old) return;
    await sayGone(crew.bram, {
      id: id(),
      patchId: old.stand.patchId,
      reason: "I searched the whole bank twice this year and found neither a shoot nor a seedling.",
    }).catch(() => undefined);
  });
}
