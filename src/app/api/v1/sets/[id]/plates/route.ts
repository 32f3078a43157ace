import sharp from "sharp";
import { smallPlate } from "@/drawings/plate/small-plate";
import { rowToSvg } from "@/drawings/ink/svg";
import { modelOf } from "@/server/flora/amendments";
import { notFound } from "@/server/platform/faults";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** Height that a list gives the row, px; a picture for sharp screens is twice as tall. */
const ROW_HEIGHT = 56;
const MOST_ROWS = 200;
/** Rows as made, by flora version, set and pixels per px. */
const rows = new Map<string, Buffer>();

/** The small plates of a set, side by side in its order; `?density=1` for screens with one pixel per px, which then need not scale it while scrolling. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const model = await modelOf(await requireRole());
    const { id } = await params;
    const set = model.flora.sets.find((s) => s.id === id);
    if (!set) throw notFound("The set");
    const density = new URL(request.url).searchParams.get("density") === "1" ? 1 : 2;
    const key = `${model.flora.version} ${id} ${density}`;
    const row =
      rows.get(key) ??
      (await drawRow(
        density,
        set.taxa.map(
          (taxon) =>
            smallPlate(
              model,
              model.flora.taxa.findIndex((t) => t.id === taxon),
            ) ?? [],
        ),
      ));
    if (rows.size >= MOST_ROWS) rows.clear();
    rows.set(key, row);
    return new Response(new Uint8Array(row), {
      headers: { "cache-control": "private, max-age=3600", "content-type": "image/png" },
    });
  });
}

const drawRow = (density: number, drawings: Parameters<typeof rowToSvg>[0]): Promise<Buffer> =>
  sharp(Buffer.from(rowToSvg(drawings)), { density: 96 })
    .resize({ height: ROW_HEIGHT * density })
    .png({ palette: true })
    .toBuffer();
