import { and, eq, isNotNull, sql } from "drizzle-orm";
import { district, finding } from "@/db/schema";
import { districtModel } from "./amendments";
import { todayIn } from "./clock";
import { shippedFlora } from "./flora";
import { patchLines, siteLines } from "./ground";
import { listFor } from "./list";
import { asMember, deviceKey, type Member } from "./session";

/** All that the Bench needs of this member's district besides the flora, for the page and for the device. */
export async function benchPackOf(member: Member, demonstration: boolean) {
  const [sites, patches] = await Promise.all([siteLines(member), patchLines(member)]);
  const { lists, whole, here, confirmed, flora } = await asMember(member, async (tx) => {
    const lists = new Map<string, Awaited<ReturnType<typeof listFor>>>();
    for (const s of sites) lists.set(s.id, await listFor(tx, s.id));
    const [here] = await tx.select().from(district);
    const rows = await tx
      .select({ taxon: finding.taxon, n: sql<number>`count(*)::int` })
      .from(finding)
      .where(and(isNotNull(finding.taxon), eq(finding.verdict, "clear")))
      .groupBy(finding.taxon);
    return {
      lists,
      whole: await listFor(tx, null),
      here,
      flora: (await districtModel(tx)).flora.version,
      confirmed: Object.fromEntries(rows.map((r) => [r.taxon as string, r.n])),
    };
  });
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
      status: lists.get(s.id)?.status ?? {},
      actions: lists.get(s.id)?.actions ?? {},
      patches: patches.filter((p) => p.siteId === s.id).map((p) => ({ id: p.id, name: `${p.name}: ${p.plant}` })),
    })),
    status: whole.status,
    costs: here.costs,
    confirmed,
    climate: { hemisphere: here.hemisphere, seasonShift: here.seasonShift },
    today: todayIn(here.zone),
    demonstration,
    maySave: member.roles.some((r) => r === "scout" || r === "specialist"),
  };
}

function middle(ring: [number, number][]): [number, number] {
  const n = ring.length - 1;
  return [ring.slice(0, n).reduce((a, p) => a + p[0], 0) / n, ring.slice(0, n).reduce((a, p) => a + p[1], 0) / n];
}
