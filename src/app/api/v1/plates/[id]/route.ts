import { itemAt } from "@/core/items";
import sharp from "sharp";
import { z } from "zod";
import { STAGES } from "@/core/flora";
import { plainName } from "@/core/identify";
import { plateToPdf } from "@/papers/plate-pdf";
import { plateOf } from "@/drawings/plate/plate";
import { smallPlate } from "@/drawings/plate/small-plate";
import { shapesToSvg } from "@/drawings/ink/svg";
import { typicalFigure } from "@/drawings/figure/figure";
import { plateSheet } from "@/drawings/plate/plate-svg";
import { modelOf } from "@/server/flora/amendments";
import { notFound } from "@/server/platform/faults";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

const wanted = z.object({ stage: z.enum(STAGES).optional(), format: z.enum(["svg", "png", "pdf"]).default("svg") });

/** A plant's plate: its one panel, or the whole sheet of a stage; as SVG, or as PNG or PDF for print. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const model = await modelOf(await requireRole());
    const { stage, format } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const { id } = await params;
    const taxon = model.flora.taxa.findIndex((t) => t.id === id);
    if (taxon < 0) throw notFound("The plant");
    const headers = { "cache-control": "private, max-age=3600" };
    if (format === "pdf") {
      const { name, family } = itemAt(model.flora.taxa, taxon);
      const shown = stage ?? "vegetative";
      const pdf = await plateToPdf(
        [
          name,
          `${plainName({ model }, taxon)} · ${family}`,
          `${shown}, drawn from what the flora says; what it does not say is blank`,
        ],
        typicalFigure(model, taxon, shown),
        plateOf(model, taxon, shown),
        `Merry Sentinel, flora ${model.flora.version}. Nothing here says that a plant is safe to eat or to touch.`,
      );
      return new Response(new Uint8Array(pdf), {
        headers: {
          ...headers,
          "content-type": "application/pdf",
          "content-disposition": `inline; filename="${id}-${shown}.pdf"`,
        },
      });
    }
    const svg = stage ? plateSheet(model, taxon, stage, true) : shapesToSvg(smallPlate(model, taxon) ?? []);
    if (format === "svg") return new Response(svg, { headers: { ...headers, "content-type": "image/svg+xml" } });
    const png = await sharp(Buffer.from(svg), { density: 220 }).png().toBuffer();
    return new Response(new Uint8Array(png), { headers: { ...headers, "content-type": "image/png" } });
  });
}
