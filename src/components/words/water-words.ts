import type { WaterNear } from "@/core/records";

/** How far it is to water, and who says so. */
export function waterWords(near: WaterNear): string {
  if (near.known === "at") return `${Math.round(near.meters)} m (${near.by})`;
  if (near.known === "none-within") return `none within ${Math.round(near.meters)} m (${near.by})`;
  return near.atMost === undefined
    ? "unknown: nobody has mapped it or looked"
    : `unknown: at most ${Math.round(near.atMost)} m, and nobody says that all water is mapped`;
}
