import type { LabelLimits } from "@/core/records";
import { label, listEntry } from "@/db/schema";
import { shippedModel } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { id, OTTER, type Place, shift, signed, SINCE_DAYS, type World } from "./world";

export async function addList(world: World, places: Place[]): Promise<void> {
  const plants = plantsIn(shippedModel().flora);
  const base = {
    districtId: OTTER,
    changedAt: new Date(`${shift(world.today, -SINCE_DAYS)}T17:30:00Z`),
    ...signed("changedBy", world.people, "Odile Marsh"),
  };
  await world.tx.insert(listEntry).values(
    Object.entries(world.status).map(([taxon, status]) => ({
      ...base,
      id: id(),
      taxon,
      plantId: plants.idOf(taxon),
      status,
      siteId: null,
      action: world.actions[taxon] ?? null,
    })),
  );
  const exceptions = Object.entries(world.exceptions).flatMap(([name, own]) =>
    Object.entries(own).map(([taxon, status]) => ({
      ...base,
      id: id(),
      taxon,
      plantId: plants.idOf(taxon),
      status,
      siteId: places.find((p) => p.spec.name === name)?.id as string,
      action: null,
    })),
  );
  await world.tx.insert(listEntry).values(exceptions);
}

export type Labels = Awaited<ReturnType<typeof addLabels>>;

export async function addLabels(
  world: World,
  places: Place[],
): Promise<{ id: string; name: string; limits: LabelLimits }[]> {
  const plants = plantsIn(shippedModel().flora);
  const labels: { id: string; name: string; limits: LabelLimits }[] = [
    {
      id: id(),
      name: "Sample label A (invented)",
      limits: {
        registration: "INV-0001",
        siteOfAction: "9",
        rateUnit: "L",
        ratePerHaMax: 6,
        seasonMaxPerHa: 9,
        windMaxMS: 4.5,
        windMinMS: 0.8,
        temperatureMaxC: 29,
        rainFreeHours: 6,
        reentryHours: 12,
        grazingDays: 14,
        hayingDays: 21,
        waterBufferM: 10,
      },
    },
    {
      id: id(),
      name: "Sample label B for stumps (invented)",
      limits: {
        registration: "INV-0002",
        siteOfAction: "4",
        rateUnit: "L",
        ratePerHaMax: 9,
        seasonMaxPerHa: 12,
        windMaxMS: 6,
        temperatureMaxC: 32,
        rainFreeHours: 4,
        reentryHours: 24,
        waterBufferM: 5,
        sites: "Non-crop land. Not in standing water.",
        stages: "Woody plants in leaf, in flower, or with ripe seed; dormant stems.",
        stagesNamed: ["vegetative", "flowering", "fruiting", "winter"],
        sitesNamed: places.filter(({ spec }) => !spec.rules.noProduct).map((place) => place.id),
        plantsNamed: ["Cytisus scoparius", "Rubus armeniacus", "Rubus laciniatus", "Crataegus monogyna"].map((name) =>
          plants.idOf(name),
        ),
      },
    },
  ];
  await world.tx
    .insert(label)
    .values(
      labels.map((l) => ({ districtId: OTTER, ...signed("enteredBy", world.people, "Tansy Quillfeather"), ...l })),
    );
  return labels;
}
