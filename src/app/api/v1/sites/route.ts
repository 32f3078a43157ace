import { saveSite } from "@/server/ground";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

export async function POST(request: Request) {
  return respond(async () =>
    Response.json(await saveSite(await requireRole("keeper", "specialist"), await request.json()), { status: 201 }),
  );
}
