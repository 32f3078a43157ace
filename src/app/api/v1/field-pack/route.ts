import { benchPackOf } from "@/server/bench-pack";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";
import { isDemonstration } from "@/env";

/** What a device keeps of the district, so that the Bench works there without a signal. */
export async function GET() {
  return respond(async () =>
    Response.json(await benchPackOf(await requireRole(), isDemonstration()), {
      headers: { "cache-control": "private, no-store" },
    }),
  );
}
