import { MADE_FOR_HEADER } from "@/contracts/headers";
import { saveMarks } from "@/server/ground/pictures";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { checkMadeFor, requireRole } from "@/server/platform/session";

/** Keeps what was marked on a picture. Idempotent by the marks' own id. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respondToWrite(request, async () => {
    const member = await requireRole("scout", "specialist");
    checkMadeFor(member, request.headers.get(MADE_FOR_HEADER));
    await saveMarks(member, (await params).id, await readJson(request));
    return Response.json({ ok: true }, { status: 201 });
  });
}
