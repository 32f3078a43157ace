import { sql } from "drizzle-orm";
import type { Ground } from "@/core/control";
import { patch } from "@/db/schema";
import { shippedModel } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { type Metres, polygon } from "./valley";
import { actingAs, id, OTTER, personNamed, type Place, signed, type World } from "./world";

/** A point inside a site: its corners blended at random. */
export function inside(world: World, place: Place): Metres {
  const [a, b, c, d] = place.spec.ring;
  const u = 0.15 + 0.7 * world.chance.uniform();
  const v = 0.15 + 0.7 * world.chance.uniform();
  const mix = (k: 0 | 1) => a[k] * (1 - u) * (1 - v) + b[k] * u * (1 - v) + c[k] * u * v + d[k] * (1 - u) * v;
  return [mix(0), mix(1)];
}

const WHERE = [
  "By the lower gate",
  "North fence",
  "Below the spring",
  "Track bend",
  "Under the old oak",
  "West corner",
  "Along the ditch",
  "Behind the barn",
  "Two stones",
  "The hollow",
];

export async function addPatch(world: World, place: Place, name: string, round: number, markedOn: string) {
  const at = inside(world, place);
  const radius = 4 + 30 * world.chance.uniform() ** 2;
  const ring: Metres[] = Array.from({ length: 9 }, (_, i) => {
    const r = radius * (0.7 + 0.6 * world.chance.uniform());
    return [at[0] + r * Math.cos((i * 2 * Math.PI) / 9), at[1] + r * Math.sin((i * 2 * Math.PI) / 9)];
  });
  const outline = polygon(ring);
  const { rows } = await world.tx.execute<{ area: number }>(
    sql`SELECT ST_Area(ST_SetSRID(ST_GeomFromGeoJSON(${JSON.stringify(outline)}), 4326)::geography) AS area`,
  );
  const made = { id: id(), place, name, areaM2: Math.round(rows[0].area * 10) / 10, at };
  const titles = WHERE[(place.index * 3 + round * 5 + name.length) % WHERE.length];
  await actingAs(world.tx, personNamed(world.people, "Wren Halloway"), `${markedOn}T18:00:00Z`);
  await world.tx.insert(patch).values({
    districtId: OTTER,
    plantId: plantsIn(shippedModel().flora).idOf(name),
    id: made.id,
    siteId: place.id,
    taxon: name,
    name: round === 0 ? titles : `${titles} ${round + 1}`,
    outline,
    areaM2: made.areaM2,
    // a few plants by a track are counted, and not drawn
    ...(made.areaM2 < 15 ? { areaFrom: "counted" as const, plants: Math.max(1, Math.round(made.areaM2)) } : {}),
    coverShare: Math.round((0.1 + 0.8 * world.chance.uniform()) * 20) / 20,
    ...signed("madeBy", world.people, "Wren Halloway"),
    createdAt: new Date(`${markedOn}T18:00:00Z`),
  });
  return made;
}

export function groundOf(place: Place): Ground {
  const rules = place.spec.rules;
  return {
    noProduct: rules.noProduct ?? false,
    noMachines: rules.noMachines ?? false,
    grazed: rules.grazed ?? false,
    hayed: rules.hayed ?? false,
    foraged: rules.foraged ?? false,
    water: { known: "none-within", meters: 5000, by: "the map" },
  };
}
