import { IN_STAGE, type Stage } from "../flora";
import type { LabelLimits } from "./label-limits";

/** From this many seasons running one site of action on one patch is pointed out. */
export const SEASONS_POINTED_OUT = 3;

/** A season in which a product was used on a patch, with its site-of-action group. */
export interface GroupUse {
  season: number;
  group: string;
}

/** Seasons running, up to this one and with it, in which one site of action is used on a patch. */
export function seasonsRunning(used: GroupUse[], season: number, group: string): number {
  const withGroup = new Set(used.filter((use) => use.group === group).map((use) => use.season));
  let seasons = 1;
  while (withGroup.has(season - seasons)) seasons++;
  return seasons;
}

/** What is said of one site of action that is used too long on one patch; null where it is not. */
const pointedOut = (group: string, seasons: number): string | null =>
  seasons >= SEASONS_POINTED_OUT
    ? `Site of action ${group} is used on this patch for season ${seasons} running. Plants that survive it pass that on: ask for another group.`
    : null;

/** Where and on what a product is used, or meant to be. */
export interface LabelUse {
  siteId: string;
  siteName: string;
  plantId: string;
  plant: string;
  /** of work that is planned nobody knows it yet */
  stage?: Stage;
  /** what was used on the patch before, and the season of this use */
  before?: { used: GroupUse[]; season: number };
}

/**
 * What a label says against a use, and what has to be asked because it names other plants. What was not ticked when the label was
 * typed in is in its own words alone: nothing is said of that.
 */
export function askLabel(
  { sitesNamed, stagesNamed, plantsNamed, siteOfAction }: LabelLimits,
  { siteId, siteName, plantId, plant, stage, before }: LabelUse,
): { against: string[]; ask: string[] } {
  const against: string[] = [];
  if (sitesNamed && !sitesNamed.includes(siteId)) against.push(`The label is not for this site, ${siteName}.`);
  if (stagesNamed && stage && !stagesNamed.includes(stage))
    against.push(
      `The label names plants ${stagesNamed.map((named) => IN_STAGE[named]).join(" or ")}; these were ${IN_STAGE[stage]}.`,
    );
  const ask: string[] = [];
  if (plantsNamed && !plantsNamed.includes(plantId))
    ask.push(`The label does not name ${plant}. Ask whether it may be used on it before it is used.`);
  const run =
    before && siteOfAction && pointedOut(siteOfAction, seasonsRunning(before.used, before.season, siteOfAction));
  return { against, ask: run ? [...ask, run] : ask };
}
