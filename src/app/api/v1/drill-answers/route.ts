import { MADE_FOR_HEADER } from "@/contracts/headers";
import { saveDrillAnswer } from "@/server/drill/answers";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { checkMadeFor, requireRole } from "@/server/platform/session";

/** Keeps an answer of practice, by anybody of the district. Idempotent by its id. */
export async function POST(request: Request) {
  return respondToWrite(request, async () => {
    const member = await requireRole();
    checkMadeFor(member, request.headers.get(MADE_FOR_HEADER));
    const saved = await saveDrillAnswer(member, await readJson(request));
    return Response.json(saved, { status: saved.again ? 200 : 201 });
  });
}
