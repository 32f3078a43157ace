import { inSeason, type Taxon } from "@/core/flora";
import { plainName } from "@/core/identify";
import { firstOf } from "@/core/items";
import type { Transaction } from "@/db/client";
import { district, site } from "@/db/schema";
import { listsByPlace } from "../control/list";
import { districtModel } from "../flora/amendments";
import { asMember, type Member } from "../platform/session";
import { openSets } from "./sets";

/** Plants that a set may be filled from at once. */
export interface Fill {
  /** by set of the flora, by site, by season */
  group: string;
  name: string;
  /** flora ids */
  taxa: string[];
}

/** What a teacher makes sets from: the plants, and ways to choose many at once. */
export const teachingView = (member: Member) =>
  asMember(member, async (tx) => {
    const { flora, ...model } = await districtModel(tx);
    const plants = flora.taxa.map(({ id, name }, t) => ({
      id,
      plain: plainName({ model: { flora, ...model } }, t),
      latin: name,
    }));
    const fills: Fill[] = [
      ...flora.sets.map(({ name, taxa }) => ({ group: "A set of the flora", name, taxa })),
      ...(await fillsByPlaceAndSeason(tx, flora.taxa)),
    ];
    const sets = await openSets(tx);
    return { plants, fills: fills.filter(({ taxa }) => taxa.length > 0), sets };
  });

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);

async function fillsByPlaceAndSeason(tx: Transaction, taxa: readonly Taxon[]): Promise<Fill[]> {
  const lists = await listsByPlace(tx);
  const here = firstOf(await tx.select().from(district));
  const sites = await tx.select({ id: site.id, name: site.name }).from(site).orderBy(site.name);
  const listedAt = (siteId: string | null): Taxon[] => {
    const { status } = lists(siteId);
    return taxa.filter(({ name }) => name in status);
  };
  const idsOf = (chosen: Taxon[]): string[] => chosen.map(({ id }) => id);
  return [
    ...sites.map(({ id, name }) => ({ group: "What is listed at a site", name, taxa: idsOf(listedAt(id)) })),
    ...MONTHS.map((month) => ({
      group: "What is listed and in flower",
      name: monthName(month),
      taxa: idsOf(listedAt(null).filter((taxon) => inSeason(taxon, "flowering", midMonth(month), here))),
    })),
  ];
}

const midMonth = (month: number): string => `2025-${String(month).padStart(2, "0")}-15`;
const monthName = (month: number): string =>
  new Date(`${midMonth(month)}T00:00:00Z`).toLocaleString("en-US", { month: "long", timeZone: "UTC" });
