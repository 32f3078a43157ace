import { drillPackOf } from "@/server/drill/pack";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** A person's own past in practice and the sets of the district, for the device. */
export async function GET() {
  return respond(async () =>
    Response.json(await drillPackOf(await requireRole()), { headers: { "cache-control": "private, no-store" } }),
  );
}
