import { env } from "@/env";
import { shippedFlora, shippedModel } from "../flora/flora";
import { plantsIn } from "../flora/plants";
import { startJudge } from "../judge/judge-apart";

/** Reads the surroundings and the flora ahead and starts the engine beside this process, so that whoever comes first after a start need not wait. */
export async function start(): Promise<void> {
  if (!env().DATABASE_APP_URL) return;
  startJudge();
  shippedModel();
  plantsIn(shippedFlora()).names();
}
