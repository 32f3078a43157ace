import { itemAt } from "@/core/items";
import { type Stage, STAGES } from "@/core/flora";
import { decidingChecks, type Model } from "@/core/identify";
import { resolveName } from "@/core/names";
import { listFor } from "../control/list";
import { asMember, type Member } from "../platform/session";
import { districtModel } from "./amendments";
import { plantsIn } from "./plants";
import type { FoundNames } from "@/contracts/names";

/** More carriers than this are not told apart by one check. */
const MOST_PARTED = 12;

/** What plants a name may mean, where this member works. */
export async function findNames(member: Member, text: string): Promise<FoundNames> {
  const { list, model } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    model: await districtModel(tx),
  }));
  const { taxa } = model.flora;
  const plantsHeld = plantsIn(model.flora);
  const { matches, carriers, carried } = resolveName(plantsHeld.names(), text, list.status, 20);
  const order = [...new Set([...matches.map((m) => m.taxon), ...carriers])];
  const plants = order.map((t) => {
    const { matched = null, kind } = matches.find((m) => m.taxon === t) ?? {};
    return {
      id: itemAt(taxa, t).id,
      name: itemAt(taxa, t).name,
      common: plantsHeld.common(itemAt(taxa, t).name),
      matched: matched && matched !== itemAt(taxa, t).name && matched !== itemAt(taxa, t).common[0] ? matched : null,
      unheld: kind === "unheld",
      status: list.status[itemAt(taxa, t).name] ?? ("kept" as const),
    };
  });
  return {
    text,
    plants,
    ambiguous:
      carriers.length > 1 ? { name: carried, plants: carriers.length, check: firstCheck(model, carriers) } : null,
  };
}

type FirstCheck = { ask: string; stage: Stage } | null;
/** Of each flora, by the plants: it is asked for again at every letter. */
const firstChecks = new WeakMap<Model, Map<string, FirstCheck>>();

/** The check that tells most about which of these it is, at the stage at which it tells most. */
function firstCheck(model: Model, taxa: number[]): FirstCheck {
  if (taxa.length > MOST_PARTED) return null;
  const checks = firstChecks.get(model) ?? new Map<string, FirstCheck>();
  firstChecks.set(model, checks);
  const key = taxa.join(" ");
  const check = checks.get(key) ?? bestCheck(model, taxa);
  checks.set(key, check);
  return check;
}

function bestCheck(model: Model, taxa: number[]): FirstCheck {
  const best = STAGES.flatMap((stage) =>
    decidingChecks(model, taxa, stage)
      .slice(0, 1)
      .map((check) => ({ stage, check })),
  ).sort((a, b) => b.check.bits - a.check.bits)[0];
  return best ? { ask: itemAt(model.flora.characters, best.check.character).ask, stage: best.stage } : null;
}
