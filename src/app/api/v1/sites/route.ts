import { saveSite } from "@/server/ground";
import { readJson } from "@/server/read-body";
import { respondToWrite } from "@/server/respond";
import { requireRole } from "@/server/session";

export async function POST(request: Request) {
  return respondToWrite(request, async () =>
    Response.json(await saveSite(await requireRole("keeper", "specialist"), await readJson(request)), { status: 201 }),
  );
}
