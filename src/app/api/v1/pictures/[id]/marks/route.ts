import { saveMarks } from "@/server/pictures";
import { readJson } from "@/server/read-body";
import { respondToWrite } from "@/server/respond";
import { checkMadeFor, requireRole } from "@/server/session";

/** Keeps what was marked on a picture. Idempotent by the marks' own id. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respondToWrite(request, async () => {
    const member = await requireRole("scout", "specialist");
    checkMadeFor(member, request.headers.get("x-sentinel-for"));
    await saveMarks(member, (await params).id, await readJson(request));
    return Response.json({ ok: true }, { status: 201 });
  });
}
