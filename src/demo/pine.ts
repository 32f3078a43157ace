import { DEFAULT_COSTS } from "@/core/identify";
import type { Transaction } from "@/db/client";
import { demonstration, district, listEntry, site } from "@/db/schema";
import { addMembers } from "./people";
import { polygon } from "./valley";
import { id, type Person, PINE, signed, ZONE } from "./world";

export async function loadPine(tx: Transaction, people: Person[], today: string): Promise<void> {
  await tx.insert(district).values({
    districtId: PINE,
    name: "Pine Ridge Watch",
    zone: ZONE,
    hemisphere: "north",
    costs: DEFAULT_COSTS,
  });
  await tx.insert(demonstration).values({ districtId: PINE, madeFor: today });
  await addMembers(tx, PINE, people, today);
  await tx.insert(site).values({
    districtId: PINE,
    id: id(),
    name: "Ridge Top",
    boundary: polygon([
      [-3000, 1800],
      [-2000, 1800],
      [-2000, 1000],
      [-3000, 1000],
    ]),
    zone: ZONE,
    setting: { ground: ["bluff"], light: ["sun"], wetness: ["dry"] },
    rules: {},
    note: "Lies over the first district's sites on purpose: the wall between them must hold.",
  });
  await tx.insert(listEntry).values({
    districtId: PINE,
    id: id(),
    taxon: "Cytisus scoparius",
    status: "target",
    siteId: null,
    action: null,
    plantId: "cytisus-scoparius",
    ...signed("changedBy", people, "Sorrel Finch"),
  });
}
