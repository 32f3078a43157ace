import type { Chance } from "@/core/random";
import { isWithin } from "./shapes";
import { LAKE_SHORE } from "./features";
import type { Meters } from "./valley";
import { isTargetAt, type Place, shift, type World } from "./world";

/** Plants of one kind that stand together, from the day on which someone first looked at them. */
export interface Stand {
  place: Place;
  taxon: string;
  name: string;
  at: Meters;
  firstSeen: string;
  /** the patch's id, once it is marked */
  patchId: string | null;
  /** of the plants that stood there first, the share that stands now */
  left: number;
  chance: Chance;
}

const MOST_STANDS = 46;
/** Where in a site a spot lies, from its name: shares from west to east and from north to south. */
const BY_NAME: [RegExp, 0 | 1, number][] = [
  [/west/i, 0, 0.15],
  [/east/i, 0, 0.85],
  [/north|upper|head|top|first/i, 1, 0.17],
  [/south|lower|tail|below|end|second/i, 1, 0.83],
];

/** Whether a site's plants stand in the lake. */
export const inWater = ({ spec }: Place): boolean => spec.setting.wetness?.includes("standing") ?? false;

/** A spot of a site, a little to one side of its middle; in the lake for plants of the water, and never in it for others. */
export function spotAt(place: Place, index: number, chance: Chance): { name: string; at: Meters } {
  const { spots, ring } = place.spec;
  const name = spots[index % spots.length] ?? place.spec.name;
  const share: [number, number] = [0.3 + 0.14 * (index % 4), 0.32 + 0.12 * ((index * 3) % 4)];
  for (const [word, axis, value] of BY_NAME) if (word.test(name)) share[axis] = value;
  const water = inWater(place);
  for (let tries = 0; ; tries++) {
    const spread = 0.06 + tries * 0.02;
    const at = within(ring, [
      share[0] + spread * (chance.uniform() - 0.5),
      share[1] + spread * (chance.uniform() - 0.5),
    ]);
    if (isWithin(at, LAKE_SHORE) === water || tries > 60) return { name, at };
  }
}

function within([a, b, c, d]: Meters[], [u, v]: [number, number]): Meters {
  const mix = (k: 0 | 1) =>
    (a?.[k] ?? 0) * (1 - u) * (1 - v) +
    (b?.[k] ?? 0) * u * (1 - v) +
    (c?.[k] ?? 0) * u * v +
    (d?.[k] ?? 0) * (1 - u) * v;
  return [mix(0), mix(1)];
}

/** The stands of what is acted on: each plant of each site, first seen in one of three seasons, the last of them lately. */
export function standsOf(world: World, places: Place[]): Stand[] {
  const pairs = places.flatMap((place) =>
    place.spec.plants.filter((taxon) => isTargetAt(world, place, taxon)).map((taxon) => ({ place, taxon })),
  );
  const named = new Map<string, number>();
  return Array.from({ length: MOST_STANDS }, (_, i): Stand => {
    const { place, taxon } = pairs[i % pairs.length] as (typeof pairs)[number];
    const chance = world.chance.named(`stand ${i}`);
    const round = Math.floor(i / pairs.length);
    const spot = spotAt(place, place.spec.plants.indexOf(taxon) + round * 2, chance);
    const called = `${place.index} ${spot.name}`;
    const another = named.get(called) ?? 0;
    named.set(called, another + 1);
    return {
      place,
      taxon,
      name: another === 0 ? spot.name : `${spot.name}, ${ORDINALS[another] ?? "another"} stand`,
      at: spot.at,
      firstSeen: shift(world.today, -(FIRST_SEEN[i % FIRST_SEEN.length] ?? 0) - ((i * 13) % 40)),
      patchId: null,
      left: 1,
      chance,
    };
  });
}
const ORDINALS = ["first", "second", "third", "fourth"];
/** Days before today: three seasons ago, two, the last, and lately. */
const FIRST_SEEN = [1000, 640, 320, 900, 160, 700, 60, 420, 22, 980];

/** The outline of a stand on a day: it grows from year to year until it is worked on. */
export function outlineOf(stand: Stand, day: string): Meters[] {
  const years = Math.max(0, (Date.parse(day) - Date.parse(stand.firstSeen)) / 86400e3 / 365);
  const radius = (3 + 16 * stand.chance.named("size").uniform() ** 2) * (1 + 0.35 * years);
  const chance = stand.chance.named("outline");
  return Array.from({ length: 11 }, (_, i): Meters => {
    const r = radius * (0.7 + 0.6 * chance.uniform());
    return [stand.at[0] + r * Math.cos((i * 2 * Math.PI) / 11), stand.at[1] + r * Math.sin((i * 2 * Math.PI) / 11)];
  });
}

/** Plants that stay, by site. */
export const staying = (world: World, places: Place[]) =>
  places.flatMap((place) =>
    place.spec.plants.filter((taxon) => !isTargetAt(world, place, taxon)).map((taxon) => ({ place, taxon })),
  );
