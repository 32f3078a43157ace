import { followUpDays, type SeenAmount } from "../records";
import { addDays, seasonOf } from "../time";

/** What of a plant decides how long its patch is visited. `seedYears`: how long seed lives in the ground, low and high end. */
export interface Lasting {
  seedYears?: [number, number];
  sprouts: string[];
  fragments: string;
}

type Hemisphere = "north" | "south";

/** A patch since it was last treated: days are ISO dates. */
export interface AfterTreatment {
  treatedOn: string;
  /** kind of the method, such as "product" */
  kind: string;
  /** visits since then, in any order; `seen` is null of one that did not say */
  visits: { day: string; seen: SeenAmount | null }[];
}

/** Fewest seasons without a plant before a patch counts as gone. */
const FEWEST_CLEAN = 2;

/** Seasons without a plant that a patch needs, by the high end of the seed life; null where only a specialist's word makes it gone. */
export function cleanSeasonsNeeded({ seedYears, sprouts, fragments }: Lasting): number | null {
  if (!seedYears || sprouts.length > 0 || fragments !== "none") return null;
  return Math.max(FEWEST_CLEAN, Math.ceil(seedYears[1]));
}

export interface CleanStanding {
  /** seasons in a row, up to the last visit, in which every visit found none */
  seasons: number;
  /** null: a specialist's word is needed */
  needed: number | null;
  gone: boolean;
}

/** How long nothing has been found. A season without a visit breaks the row, as nobody has seen what grew in it. */
export function cleanStanding(plant: Lasting, visits: AfterTreatment["visits"], hemisphere: Hemisphere): CleanStanding {
  const clean = new Map<number, boolean>();
  for (const { day, seen } of visits) {
    const season = seasonOf(day, hemisphere);
    clean.set(season, (clean.get(season) ?? true) && seen === "none");
  }
  let season = Math.max(...clean.keys());
  let seasons = 0;
  while (clean.get(season)) {
    seasons++;
    season--;
  }
  const needed = cleanSeasonsNeeded(plant);
  return { seasons, needed, gone: needed !== null && seasons >= needed };
}

/** Until which season a patch is visited each year: null of a plant of which only a specialist can say that it is gone. */
export function lastVisitSeason(plant: Lasting, lastSeen: string, hemisphere: Hemisphere): number | null {
  const needed = cleanSeasonsNeeded(plant);
  return needed === null ? null : seasonOf(lastSeen, hemisphere) + needed;
}

/** A visit this near to the one that is due counts for it. */
const COUNTS_BEFORE_DAYS = 60;

/** The one visit that is next. Weeks after the work first, then after a year, then every year until the last season; null after that. */
export function nextVisit(
  plant: Lasting,
  past: AfterTreatment,
  hemisphere: Hemisphere,
): { dueOn: string; what: string } | null {
  const [first, second] = followUpDays(past.kind);
  const days = past.visits.map(({ day }) => day).sort();
  const last = days.at(-1);
  if (!last) return { dueOn: addDays(past.treatedOn, first.days), what: first.what };
  const anniversary = addDays(past.treatedOn, second.days);
  const next =
    last < addDays(anniversary, -COUNTS_BEFORE_DAYS)
      ? { dueOn: anniversary, what: second.what }
      : { dueOn: addDays(last, 365), what: "The yearly visit: sprouts and seedlings." };
  const seen = past.visits.filter((visit) => visit.seen !== "none").map(({ day }) => day);
  const until = lastVisitSeason(plant, [past.treatedOn, ...seen].sort().at(-1) as string, hemisphere);
  return until !== null && seasonOf(next.dueOn, hemisphere) > until ? null : next;
}
