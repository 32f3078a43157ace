import { askForWork } from "@/server/jobs/ask";
import { readJson } from "@/server/read-body";
import { respondToWrite } from "@/server/respond";
import { requireRole } from "@/server/session";

/** Asks for long work: a second look, or what other costs or another score would do. */
export async function POST(request: Request) {
  return respondToWrite(request, async () =>
    Response.json(
      { job: await askForWork(await requireRole("specialist", "keeper"), await readJson(request)) },
      { status: 202 },
    ),
  );
}
