import sharp from "sharp";
import { z } from "zod";
import { plainName, STAGES } from "@/core/identify";
import { plateToPdf } from "@/drawings/pdf";
import { plateOf, smallPlate } from "@/drawings/plate";
import { shapesToSvg, sheetToSvg } from "@/drawings/svg";
import { modelOf } from "@/server/amendments";
import { notFound } from "@/server/faults";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

const wanted = z.object({ stage: z.enum(STAGES).optional(), format: z.enum(["svg", "png", "pdf", "thumb"]).default("svg") });

/** Twice the width that a list gives it, for sharp screens. */
const THUMB_WIDTH = 140;
const MOST_THUMBS = 2000;
/** Small pictures as made, by flora version and plant: a list shows hundreds, and a browser draws them quicker than drawings. */
const thumbs = new Map<string, Buffer>();

async function thumbOf(key: string, svg: () => string): Promise<Buffer> {
  const made = thumbs.get(key);
  if (made) return made;
  const thumb = await sharp(Buffer.from(svg()), { density: 96 }).resize(THUMB_WIDTH).png({ palette: true }).toBuffer();
  if (thumbs.size >= MOST_THUMBS) thumbs.clear();
  thumbs.set(key, thumb);
  return thumb;
}

/** A plant's plate: the one panel for a list, or the whole sheet of a stage; as SVG, or as PNG or PDF for print, or as a small picture. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const model = await modelOf(await requireRole());
    const { stage, format } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const { id } = await params;
    const taxon = model.flora.taxa.findIndex((t) => t.id === id);
    if (taxon < 0) throw notFound("The plant");
    const headers = { "cache-control": "private, max-age=3600" };
    if (format === "pdf") {
      const { name, family } = model.flora.taxa[taxon];
      const shown = stage ?? "vegetative";
      const pdf = await plateToPdf([name, `${plainName({ model }, taxon)} · ${family}`, `${shown}, drawn from what the flora says; what it does not say is blank`], plateOf(model, taxon, shown), `Merry Sentinel, flora ${model.flora.version}. Nothing here says that a plant is safe to eat or to touch.`);
      return new Response(new Uint8Array(pdf), { headers: { ...headers, "content-type": "application/pdf", "content-disposition": `inline; filename="${id}-${shown}.pdf"` } });
    }
    const small = () => shapesToSvg(smallPlate(model, taxon) ?? []);
    if (format === "thumb") return new Response(new Uint8Array(await thumbOf(`${model.flora.version} ${id}`, small)), { headers: { ...headers, "content-type": "image/png" } });
    const svg = stage ? sheetToSvg(plateOf(model, taxon, stage)) : small();
    if (format === "svg") return new Response(svg, { headers: { ...headers, "content-type": "image/svg+xml" } });
    const png = await sharp(Buffer.from(svg), { density: 220 }).png().toBuffer();
    return new Response(new Uint8Array(png), { headers: { ...headers, "content-type": "image/png" } });
  });
}
