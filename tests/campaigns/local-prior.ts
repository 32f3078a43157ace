import { caseAt, DEFAULT_COSTS, identify } from "@/core/identify";
import { isTarget } from "@/core/flora";
import { seededChance } from "@/core/random";
import { likelyStage, sampleObservations } from "@/demo/walk";
import { SITES } from "@/demo/valley";
import { loadList } from "@/flora/load";
import { shippedModel } from "@/server/flora/flora";

/**
 * A simulated season: what feeds the local prior, the program's own verdicts of Clear or what a person confirmed? The same plants
 * are found in the same order by the same scout; after each, its plant counts as known here (a) where the verdict was Clear,
 * (b) where a specialist confirmed it, which happens to a third of them and only where the name is right.
 *
 *     npx tsx tests/campaigns/local-prior.ts [findings] [seed]
 */
const FINDINGS = Number(process.argv[2] ?? 300);
const SEED = Number(process.argv[3] ?? 26);
const BINS = 10;

interface Season {
  brier: number;
  ece: number;
  cleared: number;
  falseClears: number;
  kept: number;
}

function season(confirm: (verdict: string, named: string | null, truth: string, seen: boolean) => boolean): Season {
  const model = shippedModel();
  const list = loadList("otter-valley");
  const chance = seededChance(SEED);
  const confirmed: Record<string, number> = {};
  const told: { p: number; right: boolean }[] = [];
  const counts = { cleared: 0, falseClears: 0, kept: 0 };
  for (let i = 0; i < FINDINGS; i++) {
    const place = SITES[Math.floor(chance.uniform() * SITES.length)];
    if (!place) continue;
    const truth = place.plants[Math.floor(chance.uniform() ** 1.5 * place.plants.length)] ?? "";
    const day = new Date(Date.UTC(2026, 2, 1 + Math.floor(chance.uniform() * 220))).toISOString().slice(0, 10);
    const status = { ...list.status, ...(list.sites[place.name] ?? {}) };
    const stage = likelyStage(model, truth, day);
    const given = caseAt(
      { setting: place.setting, list: status, actions: list.actions, costs: DEFAULT_COSTS, confirmed },
      { id: truth, day, stage },
      model,
    );
    const looks = 3 + Math.floor(chance.uniform() * 12);
    const seen = chance.uniform() < 1 / 3;
    const observations = sampleObservations(model, given, truth, looks, SEED * 1000 + i);
    const { verdict, about, candidates } = identify(model, { ...given, observations });
    const [first] = candidates;
    if (first) told.push({ p: first.probability, right: first.taxon === truth });
    const isKept = !isTarget(status[truth] ?? "kept");
    if (isKept) counts.kept++;
    if (verdict === "clear") counts.cleared++;
    if (verdict === "clear" && isKept) counts.falseClears++;
    if (about && confirm(verdict, about, truth, seen)) confirmed[about] = (confirmed[about] ?? 0) + 1;
  }
  return { ...calibration(told), ...counts };
}

function calibration(told: { p: number; right: boolean }[]): { brier: number; ece: number } {
  const brier = told.reduce((sum, { p, right }) => sum + (p - Number(right)) ** 2, 0) / told.length;
  let ece = 0;
  for (let bin = 0; bin < BINS; bin++) {
    const own = told.filter(({ p }) => Math.min(BINS - 1, Math.floor(p * BINS)) === bin);
    const mean = (of: (one: (typeof own)[number]) => number) => own.reduce((sum, one) => sum + of(one), 0) / own.length;
    if (own.length > 0) ece += (own.length / told.length) * Math.abs(mean((o) => o.p) - mean((o) => Number(o.right)));
  }
  return { brier: Number(brier.toFixed(4)), ece: Number(ece.toFixed(4)) };
}

process.stdout.write(
  `${JSON.stringify(
    {
      findings: FINDINGS,
      seed: SEED,
      ownVerdicts: season((verdict) => verdict === "clear"),
      confirmations: season((_verdict, named, truth, seen) => seen && named === truth),
      none: season(() => false),
    },
    null,
    1,
  )}\n`,
);
