import sharp from "sharp";
import { smallPlate } from "@/drawings/plate";
import { rowToSvg } from "@/drawings/svg";
import { modelOf } from "@/server/amendments";
import { notFound } from "@/server/faults";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

/** Height of a picture of the row: twice what a list gives it, for sharp screens. */
const ROW_HEIGHT = 112;
const MOST_ROWS = 200;
/** Rows as made, by flora version and set. */
const rows = new Map<string, Buffer>();

/** The small plates of a set, side by side in its order. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const model = await modelOf(await requireRole());
    const { id } = await params;
    const set = model.flora.sets.find((s) => s.id === id);
    if (!set) throw notFound("The set");
    const key = `${model.flora.version} ${id}`;
    const row = rows.get(key) ?? (await drawRow(set.taxa.map((taxon) => smallPlate(model, model.flora.taxa.findIndex((t) => t.id === taxon)) ?? [])));
    if (rows.size >= MOST_ROWS) rows.clear();
    rows.set(key, row);
    return new Response(new Uint8Array(row), { headers: { "cache-control": "private, max-age=3600", "content-type": "image/png" } });
  });
}

const drawRow = (drawings: Parameters<typeof rowToSvg>[0]): Promise<Buffer> => sharp(Buffer.from(rowToSvg(drawings)), { density: 96 }).resize({ height: ROW_HEIGHT }).png({ palette: true }).toBuffer();
