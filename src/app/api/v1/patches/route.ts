import { savePatch } from "@/server/ground";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

export async function POST(request: Request) {
  return respond(async () =>
    Response.json(await savePatch(await requireRole("scout", "specialist"), await request.json()), { status: 201 }),
  );
}
