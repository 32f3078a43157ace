import { MOST_PICTURE_BYTES } from "@/server/ground/pictures";
import { readBytes } from "@/server/platform/read-body";
import { respond, respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { checkPictureContent, saveCheckPicture } from "@/server/records/check-pictures";

type Context = { params: Promise<{ id: string }> };

/** A picture of what a check saw. */
export async function PUT(request: Request, { params }: Context) {
  return respondToWrite(request, async () => {
    const member = await requireRole("scout", "specialist", "applicator");
    await saveCheckPicture(
      member,
      (await params).id,
      new URL(request.url).searchParams.get("check") ?? "",
      await readBytes(request, MOST_PICTURE_BYTES, "The picture"),
    );
    return Response.json({ ok: true }, { status: 201 });
  });
}

export async function GET(_: Request, { params }: Context) {
  return respond(async () => {
    const content = await checkPictureContent(await requireRole(), (await params).id);
    return new Response(new Uint8Array(content), {
      headers: { "content-type": "image/webp", "cache-control": "private, no-store" },
    });
  });
}
