import { env } from "@/env";
import { shippedFlora, shippedModel } from "./flora";
import { plantsIn } from "./plants";

/** Reads the surroundings and the flora ahead, so that whoever comes first after a start need not wait. */
export async function start(): Promise<void> {
  if (!env().DATABASE_APP_URL) return;
  shippedModel();
  plantsIn(shippedFlora()).names();
}
