import { Bench } from "@/components/bench/bench";
import { isDemonstration } from "@/env";
import { benchPackOf } from "@/server/flora/bench-pack";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Bench" };

export default async function BenchPage({
  searchParams,
}: {
  searchParams: Promise<{ site?: string; patch?: string }>;
}) {
  const member = await memberOrSignIn();
  const { site, patch } = await searchParams;
  return (
    <Bench pack={await benchPackOf(member, isDemonstration())} chosenSite={site ?? null} chosenPatch={patch ?? null} />
  );
}
