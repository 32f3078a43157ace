import { buildModel, type Model } from "@/core/identify";
import { amendFlora, type Amendment } from "@/core/pack";
import { perProcess } from "../platform/per-process";
import { shippedFlora, shippedModel } from "./flora";

/** Models of amended floras, newest last: a district's model is built once for each set of amendments. */
const models = perProcess("models", () => new Map<string, Model>());
const MOST_MODELS = 4;

/**
 * The shipped flora with a district's amendments over it. A later shipped flora may lack a plant or a character, and a plant that was
 * added may be taken back: an amendment that no longer checks is kept, and says nothing.
 */
export function modelWith(amendments: Amendment[]): Model {
  if (amendments.length === 0) return shippedModel();
  const key = JSON.stringify([shippedFlora().version, amendments]);
  const known = models.get(key);
  if (known) return known;
  const built = buildModel(amendFlora(shippedFlora(), amendments, () => undefined));
  models.set(key, built);
  if (models.size > MOST_MODELS) models.delete(models.keys().next().value as string);
  return built;
}
