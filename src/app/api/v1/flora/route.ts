import { modelOf } from "@/server/flora/amendments";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** The flora as this district sees it, compiled, for the engine on the device. */
export async function GET(request: Request) {
  return respond(async () => {
    const { flora } = await modelOf(await requireRole());
    const etag = `"${flora.version}"`;
    const headers = { etag, "cache-control": "private, no-cache" };
    if (request.headers.get("if-none-match") === etag) return new Response(null, { status: 304, headers });
    return Response.json(flora, { headers });
  });
}
