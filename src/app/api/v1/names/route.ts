import { z } from "zod";
import { findNames } from "@/server/flora/names";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

const query = z.object({ q: z.string().trim().max(80) });

export async function GET(request: Request) {
  return respond(async () => {
    const { q } = query.parse({ q: new URL(request.url).searchParams.get("q") ?? "" });
    return Response.json(await findNames(await requireRole(), q), {
      headers: { "cache-control": "private, no-store" },
    });
  });
}
