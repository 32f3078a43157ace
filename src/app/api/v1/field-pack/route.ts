import { isDemonstration } from "@/env";
import { benchPackOf } from "@/server/flora/bench-pack";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** What a device keeps of the district, so that the Bench works there without a signal. */
export async function GET() {
  return respond(async () =>
    Response.json(await benchPackOf(await requireRole(), isDemonstration()), {
      headers: { "cache-control": "private, no-store" },
    }),
  );
}
