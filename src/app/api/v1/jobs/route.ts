import { askForWork } from "@/server/jobs/ask";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** Asks for long work: a second look, or what other costs or another score would do. */
export async function POST(request: Request) {
  return respondToWrite(request, async () =>
    Response.json(
      { job: await askForWork(await requireRole("specialist", "keeper"), await readJson(request)) },
      { status: 202 },
    ),
  );
}
