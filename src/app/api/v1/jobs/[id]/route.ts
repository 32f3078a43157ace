import { cancelJob, jobResult, jobView } from "@/server/jobs/jobs";
import { respond, respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

type Context = { params: Promise<{ id: string }> };

/** How long work stands; with what came of it once it is done. */
export async function GET(_: Request, { params }: Context) {
  return respond(async () => {
    const member = await requireRole("specialist", "keeper");
    const view = await jobView(member, (await params).id);
    const result = view.state === "done" ? { result: await jobResult(member, view.id, view.kind) } : {};
    return Response.json({ ...view, ...result }, { headers: { "cache-control": "no-store" } });
  });
}

/** Calls long work off. */
export async function DELETE(request: Request, { params }: Context) {
  return respondToWrite(request, async () => {
    await cancelJob(await requireRole("specialist", "keeper"), (await params).id);
    return Response.json({ ok: true });
  });
}
