import { firstOf } from "@/core/items";
import { district } from "@/db/schema";
import { listsByPlace } from "../control/list";
import { planLines, usesOf } from "../control/plan-lines";
import { practiceOpen } from "../drill/requirement";
import { patchLines, siteLines } from "../ground/ground";
import { confirmedCounts } from "../judge/cases";
import { todayIn } from "../platform/clock";
import { labelsWithPapers } from "../records/labels";
import { asMember, deviceKey, type Member } from "../platform/session";
import { districtModel } from "./amendments";
import { shippedFlora } from "./flora";

/** A person has not more work at once than this. */
const MOST_WORK = 100;

/** All that the Bench needs of this member's district besides the flora, for the page and for the device. */
export async function benchPackOf(member: Member, demonstration: boolean) {
  const [sites, patches] = await Promise.all([siteLines(member), patchLines(member)]);
  const { lists, here, confirmed, flora, labels, practice } = await asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    return {
      lists: await listsByPlace(tx),
      here,
      flora: (await districtModel(tx)).flora.version,
      confirmed: await confirmedCounts(tx),
      practice: await practiceOpen(tx, member.personId),
      labels: (await labelsWithPapers(tx)).map(({ id, name, limits, hasPaper }) => ({ id, name, limits, hasPaper })),
    };
  });
  const mine = (await planLines(member)).filter((line) => line.mine && line.plan.state === "planned");
  const held = mine.slice(0, MOST_WORK);
  const useOf = await asMember(member, (tx) => usesOf(tx, held, here.hemisphere));
  const work = held.map((line) => ({
    ...{ planId: line.plan.id, title: line.title, patch: line.patch, siteId: line.siteId, areaM2: line.areaM2 },
    ...{ product: line.product, use: useOf(line) },
  }));
  return {
    key: deviceKey(member),
    person: member.personName,
    district: member.name,
    floraUrl: flora === shippedFlora().version ? "/flora.json" : `/api/v1/flora?version=${encodeURIComponent(flora)}`,
    sites: sites.map((s) => ({
      id: s.id,
      name: s.name,
      centre: middle(s.boundary.coordinates[0] as [number, number][]),
      setting: s.setting,
      status: lists(s.id).status,
      actions: lists(s.id).actions,
      patches: patches.filter((p) => p.siteId === s.id).map((p) => ({ id: p.id, name: `${p.name}: ${p.plant}` })),
    })),
    status: lists(null).status,
    costs: here.costs,
    confirmed,
    climate: { hemisphere: here.hemisphere, seasonShift: here.seasonShift },
    today: todayIn(here.zone),
    zone: here.zone,
    units: here.settings.units,
    work,
    labels,
    practice,
    demonstration,
    maySave: member.roles.some((r) => r === "scout" || r === "specialist"),
  };
}

function middle(ring: [number, number][]): [number, number] {
  const n = ring.length - 1;
  return [ring.slice(0, n).reduce((a, p) => a + p[0], 0) / n, ring.slice(0, n).reduce((a, p) => a + p[1], 0) / n];
}
