import { z } from "zod";
import { mapTile } from "@/server/ground/ground";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

const tile = z
  .object({
    z: z.coerce.number().int().min(0).max(22),
    x: z.coerce.number().int().min(0),
    y: z.coerce.number().int().min(0),
  })
  .refine((t) => t.x < 2 ** t.z && t.y < 2 ** t.z, "x and y must be on the tile grid of this zoom");

export async function GET(_: Request, { params }: { params: Promise<{ z: string; x: string; y: string }> }) {
  return respond(async () => {
    const { z: zoom, x, y } = tile.parse(await params);
    const content = await mapTile(await requireRole(), zoom, x, y);
    return new Response(new Uint8Array(content), {
      headers: { "content-type": "application/vnd.mapbox-vector-tile", "cache-control": "private, no-store" },
    });
  });
}
