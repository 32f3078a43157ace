import { MADE_FOR_HEADER } from "@/contracts/headers";
import { saveFinding } from "@/server/findings/findings";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { checkMadeFor, requireRole } from "@/server/platform/session";

/** Saves a finding made in the field. Idempotent by the finding's id; the verdict is computed here. */
export async function POST(request: Request) {
  return respondToWrite(request, async () => {
    const member = await requireRole("scout", "specialist");
    checkMadeFor(member, request.headers.get(MADE_FOR_HEADER));
    const saved = await saveFinding(member, await readJson(request));
    return Response.json(saved, { status: saved.again ? 200 : 201 });
  });
}
