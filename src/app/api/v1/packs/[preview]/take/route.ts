import { askForPackTake } from "@/server/jobs/ask";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** Takes in a pack that was shown, named by the job that showed it. */
export async function POST(request: Request, { params }: { params: Promise<{ preview: string }> }) {
  return respondToWrite(request, async () =>
    Response.json(
      { job: await askForPackTake(await requireRole("specialist"), (await params).preview, await readJson(request)) },
      { status: 202 },
    ),
  );
}
