import { dayWords } from "../time";

/** Orders that can be laid over a list of work. Each puts the lines in order and says of each why it stands where it stands. */
export const ORDERS = {
  day: "By day",
  "seeding-first": "Seeding before sterile",
  "outliers-first": "Outliers before the core",
  "upstream-first": "Upstream first",
  "upwind-first": "Upwind first",
  "clean-first": "Clean before dirty gear",
  near: "Near each other",
} as const;
export type Order = keyof typeof ORDERS;

/** A line of work with what the orders ask about its patch. Coordinates are [longitude, latitude] in degrees, WGS 84. */
export interface OrderedWork {
  id: string;
  taxon: string;
  patchId: string;
  center: [number, number];
  areaM2: number;
  intendedOn: string;
  /** last good day before seed, or null where no seed is ahead within a year or none is recorded */
  lastBeforeSeed: string | null;
  /** whether it carries ripe seed on the day of the work, by the calendar */
  inSeed: boolean;
  /** meters along the stream that it stands at, from where the stream begins; null away from a stream that flows */
  alongStreamM: number | null;
  stream: string | null;
}

export interface Ordered {
  id: string;
  why: string;
}

const WIND_DEGREES = { N: 0, NE: 45, E: 90, SE: 135, S: 180, SW: 225, W: 270, NW: 315 } as const;
export type Wind = keyof typeof WIND_DEGREES;

/** What an order needs to know besides the work. */
export interface OrderSettings {
  /** wind that is usual in the month; null where the district has not said */
  wind: Wind | null;
  /** where the way begins, or null: at the first line */
  from: [number, number] | null;
}

/** @returns all lines, in order */
export function inOrder(order: Order, work: OrderedWork[], settings: OrderSettings): Ordered[] {
  const byDay = [...work].sort((a, b) => a.intendedOn.localeCompare(b.intendedOn) || a.id.localeCompare(b.id));
  return ORDERINGS[order](byDay, settings);
}

type Ordering = (work: OrderedWork[], settings: OrderSettings) => Ordered[];

const ORDERINGS: Record<Order, Ordering> = {
  day: (work) => work.map(({ id, intendedOn }) => ({ id, why: `It is meant for ${dayWords(intendedOn)}.` })),
  "seeding-first": (work) =>
    ranked(work, ({ lastBeforeSeed }) => [
      lastBeforeSeed ?? "9",
      lastBeforeSeed ? `The last good day before seed is ${dayWords(lastBeforeSeed)}.` : "No seed is ahead.",
    ]),
  "outliers-first": outliersFirst,
  "upstream-first": (work) =>
    ranked(work, ({ alongStreamM, stream }) =>
      alongStreamM === null
        ? ["1", "It stands at no stream that is drawn with its flow."]
        : [
            `0 ${stream} ${pad(alongStreamM)}`,
            `It stands ${meters(alongStreamM)} below the top of ${stream}. Pieces and seed float down.`,
          ],
    ),
  "upwind-first": upwindFirst,
  "clean-first": (work) =>
    ranked(work, ({ inSeed }) =>
      inSeed
        ? ["1", "It is in seed: the gear is dirty afterward."]
        : ["0", "It carries no ripe seed: the gear stays clean."],
    ),
  near: nearEachOther,
};

const pad = (value: number): string => String(Math.round(value)).padStart(9, "0");
const meters = (value: number): string => (value < 1000 ? `${Math.round(value)} m` : `${(value / 1000).toFixed(1)} km`);

/** In the order of a key; lines with the same key stay in order of day. */
function ranked(work: OrderedWork[], keyAndWhy: (line: OrderedWork) => [string, string]): Ordered[] {
  return work
    .map((line) => ({ id: line.id, said: keyAndWhy(line) }))
    .sort((a, b) => (a.said[0] < b.said[0] ? -1 : a.said[0] > b.said[0] ? 1 : 0))
    .map(({ id, said }) => ({ id, why: said[1] }));
}

const EARTH_M = 6371008.8;
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Meters east and north of a place, in the plane about it; good for the size of a district. */
function offset(from: [number, number], to: [number, number]): [number, number] {
  const east = radians(to[0] - from[0]) * Math.cos(radians((from[1] + to[1]) / 2)) * EARTH_M;
  return [east, radians(to[1] - from[1]) * EARTH_M];
}
const distance = (a: [number, number], b: [number, number]): number => Math.hypot(...offset(a, b));

/** Patches of a plant this near to each other are of one group. */
export const CORE_REACH_M = 200;

/** The group of patches of one plant, each within reach of another, that has the most area is its core; a line far from it comes first. */
function outliersFirst(work: OrderedWork[]): Ordered[] {
  const away = new Map<string, number>();
  for (const taxon of new Set(work.map((line) => line.taxon))) {
    const own = work.filter((line) => line.taxon === taxon);
    const core = groupsOf(own).sort((a, b) => areaOf(b) - areaOf(a))[0];
    for (const line of own)
      away.set(
        line.id,
        core.includes(line) ? 0 : Math.min(...core.map((other) => distance(line.center, other.center))),
      );
  }
  return ranked(work, ({ id }) => {
    const far = away.get(id) ?? 0;
    return far === 0
      ? [pad(999_999_999), `It is of the core: the group of most area, each within ${CORE_REACH_M} m of another.`]
      : [pad(999_999_998 - far), `It stands ${meters(far)} from the core of its plant.`];
  });
}

const areaOf = (group: OrderedWork[]): number => group.reduce((sum, { areaM2 }) => sum + areaM2, 0);

function groupsOf(work: OrderedWork[]): OrderedWork[][] {
  const left = new Set(work);
  const groups: OrderedWork[][] = [];
  for (const first of work) {
    if (!left.delete(first)) continue;
    const group = [first];
    for (const member of group)
      for (const other of left)
        if (distance(member.center, other.center) <= CORE_REACH_M) {
          left.delete(other);
          group.push(other);
        }
    groups.push(group);
  }
  return groups;
}

function upwindFirst(work: OrderedWork[], { wind }: OrderSettings): Ordered[] {
  if (!wind || work.length === 0)
    return work.map(({ id }) => ({ id, why: "The district has not said which wind is usual in this month." }));
  const angle = radians(WIND_DEGREES[wind]);
  const upwind = ({ center }: OrderedWork): number => {
    const [east, north] = offset(work[0].center, center);
    return east * Math.sin(angle) + north * Math.cos(angle);
  };
  const most = Math.max(...work.map(upwind));
  return ranked(work, (line) => {
    const behind = most - upwind(line);
    return [
      pad(behind),
      behind < 1
        ? `It stands farthest upwind; the usual wind comes from ${wind}.`
        : `It stands ${meters(behind)} downwind of the first; the usual wind comes from ${wind}.`,
    ];
  });
}

/** From where one stands to the nearest, and so on. */
function nearEachOther(work: OrderedWork[], { from }: OrderSettings): Ordered[] {
  const left = [...work];
  const way: Ordered[] = [];
  let at = from;
  while (left.length > 0) {
    const here = at;
    const next =
      here === null ? left[0] : left.reduce((a, b) => (distance(here, a.center) <= distance(here, b.center) ? a : b));
    left.splice(left.indexOf(next), 1);
    way.push({
      id: next.id,
      why: here === null ? "The way begins here." : `It is ${meters(distance(here, next.center))} from the one before.`,
    });
    at = next.center;
  }
  return way;
}
