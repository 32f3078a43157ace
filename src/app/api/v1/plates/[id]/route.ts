import sharp from "sharp";
import { z } from "zod";
import { STAGES } from "@/core/identify";
import { plateOf, smallPlate } from "@/drawings/plate";
import { shapesToSvg, sheetToSvg } from "@/drawings/svg";
import { notFound } from "@/server/faults";
import { shippedFlora, shippedModel } from "@/server/flora";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

const wanted = z.object({ stage: z.enum(STAGES).optional(), format: z.enum(["svg", "png"]).default("svg") });

/** A plant's plate: the one panel for a list, or the whole sheet of a stage; as SVG, or as PNG for print. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    await requireRole();
    const { stage, format } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const { id } = await params;
    const taxon = shippedFlora().taxa.findIndex((t) => t.id === id);
    if (taxon < 0) throw notFound("The plant");
    const svg = stage ? sheetToSvg(plateOf(shippedModel(), taxon, stage)) : shapesToSvg(smallPlate(shippedModel(), taxon) ?? []);
    const headers = { "cache-control": "private, max-age=86400" };
    if (format === "svg") return new Response(svg, { headers: { ...headers, "content-type": "image/svg+xml" } });
    const png = await sharp(Buffer.from(svg), { density: 220 }).png().toBuffer();
    return new Response(new Uint8Array(png), { headers: { ...headers, "content-type": "image/png" } });
  });
}
