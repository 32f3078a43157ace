import type { MethodAdvice } from "@/core/control";
import { addDays } from "@/core/time";
import type { PlanningView } from "@/server/control/planning";
import { shippedModel } from "@/server/flora/flora";
import type { Stand } from "./stands";
import { likelyStage } from "./walk";

/** A record of work as it is sent. @param label the label of the product, where one is used */
export function toldOf(stand: Stand, day: string, areaM2: number, label: { id: string } | undefined): unknown {
  const { chance } = stand;
  const rate = 2 + Math.round(3 * chance.uniform());
  const begins = 8 + Math.floor(3 * chance.uniform());
  return {
    from: `${day}T${String(begins).padStart(2, "0")}:${chance.uniform() < 0.5 ? "00" : "40"}`,
    to: `${day}T${String(begins + 1).padStart(2, "0")}:${String(10 + Math.floor(45 * chance.uniform()))}`,
    areaM2,
    stage: likelyStage(shippedModel(), stand.taxon, day),
    equipment: label
      ? "backpack sprayer, flat fan"
      : chance.uniform() < 0.5
        ? "hand tools, gloves"
        : "two people, spade and bags",
    windMS: Math.round((1 + 2.8 * chance.uniform()) * 10) / 10,
    windFrom: (["SW", "W", "NW", "S"] as const)[Math.floor(4 * chance.uniform())],
    temperatureC: Math.round(9 + 13 * chance.uniform()),
    note: "",
    ...(label
      ? {
          product: {
            labelId: label.id,
            ratePerHa: rate,
            total: Number(((rate * areaM2) / 10000).toPrecision(3)),
            carrierL: Number(((200 * areaM2) / 10000).toPrecision(2)),
          },
        }
      : {}),
  };
}

/** The method that a specialist takes: most often the first choice, else one that suits now, else the first that will. */
export function chosenFor(stand: Stand, view: PlanningView): MethodAdvice | undefined {
  const suited = view.advice.filter((a) => a.window && a.answer !== "never" && a.method.kind !== "follow");
  const now = suited.filter((a) => a.answer === "eligible");
  const choices = now.length > 0 ? now : suited.slice(0, 1);
  const [first] = now.filter((a) => a.preferred && stand.chance.uniform() < 0.7);
  return first ?? choices[Math.floor(stand.chance.uniform() * choices.length)];
}

/** What should grow there afterward: plants that the valley keeps, or nothing, with the reason. */
export function coverFor(stand: Stand, view: PlanningView, intendedOn: string, inWater: boolean) {
  const kept = view.keeps[Math.floor(stand.chance.uniform() * view.keeps.length)];
  if (!kept || inWater || stand.chance.uniform() < 0.55) return { cover: "nothing", coverWhy: whyNothing(stand) };
  return {
    cover: "plant",
    coverPlants: [kept.id],
    coverOn: addDays(intendedOn, 60 + Math.round(80 * stand.chance.uniform())),
    coverAmount: `${1 + Math.round(4 * stand.chance.uniform())} kg of seed from the valley`,
  };
}
/** Why nothing is sown, as it fits the place. */
function whyNothing({ place, chance }: Stand): string {
  const { ground, wetness = [] } = place.spec.setting;
  if (wetness.includes("wet") || wetness.includes("standing")) return "The bank is under water in winter.";
  if (chance.uniform() < 0.4) return "The first year shows what comes up.";
  return ground?.includes("woodland") ? "The wood around it seeds in." : "The meadow closes by itself.";
}

const NOTES = {
  none: [
    "Bare ground and moss.",
    "Nothing of it, native grass closing in.",
    "Searched on hands and knees: none.",
    "All dead to the ground.",
  ],
  some: [
    "A few shoots at the edge.",
    "Two clumps were missed behind the log.",
    "Regrowth from the crown, ankle high.",
    "Scattered seedlings where the ground was opened.",
  ],
  many: [
    "As thick as before on the uphill side.",
    "Flush of seedlings after the rain.",
    "Half of it came back from the root.",
    "The middle was not reached.",
  ],
};
export function noteOf(stand: Stand, seen: keyof typeof NOTES): string {
  return NOTES[seen][Math.floor(stand.chance.uniform() * NOTES[seen].length)] ?? "";
}

/** Area of an outline in the plane, m². */
export function polygonArea(ring: [number, number][]): number {
  const twice = ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length] ?? [x, y];
    return sum + x * ny - nx * y;
  }, 0);
  return Math.abs(twice) / 2;
}
