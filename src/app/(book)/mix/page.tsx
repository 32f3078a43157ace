import { MixBook } from "@/components/mix/mix-book";
import { isDemonstration } from "@/env";
import { benchPackOf } from "@/server/flora/bench-pack";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Mix" };

export default async function MixPage({ searchParams }: { searchParams: Promise<{ plan?: string }> }) {
  const member = await memberOrSignIn();
  const { plan = "" } = await searchParams;
  const { key, units, work, labels, sites, today, zone, demonstration } = await benchPackOf(member, isDemonstration());
  return <MixBook pack={{ key, units, work, labels, sites, today, zone, demonstration }} planId={plan} />;
}
