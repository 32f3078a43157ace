import { isNotNull, and, eq, sql } from "drizzle-orm";
import { Bench } from "@/components/bench/bench";
import type { BenchSite } from "@/components/bench/site";
import { district, finding } from "@/db/schema";
import { districtModel } from "@/server/amendments";
import { shippedFlora } from "@/server/flora";
import { todayIn } from "@/server/clock";
import { listFor } from "@/server/list";
import { patchLines, siteLines } from "@/server/ground";
import { asMember, memberOrSignIn } from "@/server/session";

export const metadata = { title: "Bench" };

export default async function BenchPage({ searchParams }: { searchParams: Promise<{ site?: string; patch?: string }> }) {
  const member = await memberOrSignIn();
  const { site, patch } = await searchParams;
  const [sites, patches] = await Promise.all([siteLines(member), patchLines(member)]);
  const { lists, here, confirmed, flora } = await asMember(member, async (tx) => {
    const lists = new Map<string, Awaited<ReturnType<typeof listFor>>>();
    for (const s of sites) lists.set(s.id, await listFor(tx, s.id));
    const [here] = await tx.select().from(district);
    const rows = await tx.select({ taxon: finding.taxon, n: sql<number>`count(*)::int` }).from(finding).where(and(isNotNull(finding.taxon), eq(finding.verdict, "clear"))).groupBy(finding.taxon);
    return { lists, here, flora: (await districtModel(tx)).flora.version, confirmed: Object.fromEntries(rows.map((r) => [r.taxon as string, r.n])) };
  });
  const benchSites: BenchSite[] = sites.map((s) => ({ id: s.id, name: s.name, centre: middle(s.boundary.coordinates[0] as [number, number][]), setting: s.setting, status: lists.get(s.id)?.status ?? {}, actions: lists.get(s.id)?.actions ?? {}, patches: patches.filter((p) => p.siteId === s.id).map((p) => ({ id: p.id, name: `${p.name}: ${p.plant}` })) }));
  return <Bench floraUrl={flora === shippedFlora().version ? "/flora.json" : `/api/v1/flora?version=${encodeURIComponent(flora)}`} sites={benchSites} chosenSite={site ?? null} chosenPatch={patch ?? null} costs={here.costs} confirmed={confirmed} climate={{ hemisphere: here.hemisphere, seasonShift: here.seasonShift }} today={todayIn(here.zone)} draftKey={`${member.districtId}.${member.personId}`} maySave={member.roles.some((r) => r === "scout" || r === "specialist")} />;
}

function middle(ring: [number, number][]): [number, number] {
  const n = ring.length - 1;
  return [ring.slice(0, n).reduce((a, p) => a + p[0], 0) / n, ring.slice(0, n).reduce((a, p) => a + p[1], 0) / n];
}
