import { savePatch } from "@/server/ground/ground";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

export async function POST(request: Request) {
  return respondToWrite(request, async () =>
    Response.json(await savePatch(await requireRole("scout", "specialist"), await readJson(request)), { status: 201 }),
  );
}
