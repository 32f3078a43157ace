import { MADE_FOR_HEADER } from "@/contracts/headers";
import { MOST_PICTURE_BYTES, pictureContent, savePicture } from "@/server/ground/pictures";
import { readBytes } from "@/server/platform/read-body";
import { respond, respondToWrite } from "@/server/platform/respond";
import { checkMadeFor, requireRole } from "@/server/platform/session";

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respondToWrite(request, async () => {
    const member = await requireRole("scout", "specialist");
    checkMadeFor(member, request.headers.get(MADE_FOR_HEADER));
    const asked = new URL(request.url).searchParams;
    await savePicture(
      member,
      (await params).id,
      asked.get("finding") ?? "",
      await readBytes(request, MOST_PICTURE_BYTES, "The picture"),
      asked.has("drawn"),
    );
    return Response.json({ ok: true }, { status: 201 });
  });
}

export async function GET(_: Request, { params }: Context) {
  return respond(async () => {
    const content = await pictureContent(await requireRole(), (await params).id);
    return new Response(new Uint8Array(content), {
      headers: { "content-type": "image/webp", "cache-control": "private, no-store" },
    });
  });
}
