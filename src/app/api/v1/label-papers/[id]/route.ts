import { readBytes } from "@/server/platform/read-body";
import { respond, respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { labelPaperContent, MOST_PAPER_BYTES, saveLabelPaper } from "@/server/records/labels";

type Context = { params: Promise<{ id: string }> };

/** The PDF of a label, as a person uploaded it. */
export async function PUT(request: Request, { params }: Context) {
  return respondToWrite(request, async () => {
    const member = await requireRole("applicator", "specialist");
    await saveLabelPaper(member, (await params).id, await readBytes(request, MOST_PAPER_BYTES, "The PDF"));
    return Response.json({ ok: true }, { status: 201 });
  });
}

/** As a download, never as a page: what a stranger wrote into it does not run here. */
export async function GET(_: Request, { params }: Context) {
  return respond(async () => {
    const { id } = await params;
    const content = await labelPaperContent(await requireRole(), id);
    return new Response(new Uint8Array(content), {
      headers: {
        "content-type": "application/pdf",
        "content-disposition": `attachment; filename="label-${id}.pdf"`,
        "cache-control": "private, no-store",
      },
    });
  });
}
