import { Refusal } from "@/server/faults";
import { MOST_PICTURE_BYTES, pictureContent, savePicture } from "@/server/pictures";
import { respond } from "@/server/respond";
import { checkMadeFor, requireRole } from "@/server/session";

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const member = await requireRole("scout", "specialist");
    checkMadeFor(member, request.headers.get("x-sentinel-for"));
    const asked = new URL(request.url).searchParams;
    if (Number(request.headers.get("content-length") ?? 0) > MOST_PICTURE_BYTES)
      throw new Refusal(400, "The picture is over 12 MB.");
    await savePicture(
      member,
      (await params).id,
      asked.get("finding") ?? "",
      Buffer.from(await request.arrayBuffer()),
      asked.has("drawn"),
    );
    return Response.json({ ok: true }, { status: 201 });
  });
}

export async function GET(_: Request, { params }: Context) {
  return respond(async () => {
    const content = await pictureContent(await requireRole(), (await params).id);
    return new Response(new Uint8Array(content), {
      headers: { "content-type": "image/webp", "cache-control": "private, max-age=86400" },
    });
  });
}
