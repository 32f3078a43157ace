import { labelSheet } from "@/papers/label-sheet";
import { sheetToPdf } from "@/papers/sheet-pdf";
import { pdfResponse } from "@/server/platform/pdf-response";
import { notFound } from "@/server/platform/faults";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { labelLines } from "@/server/records/labels";

/** What the district typed in from a label in force, as a PDF. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const member = await requireRole();
    const { id } = await params;
    const line = (await labelLines(member)).find((label) => label.id === id);
    if (!line) throw notFound("The label");
    return pdfResponse(await sheetToPdf(labelSheet(line, member.name)), `label-sheet-${id}`);
  });
}
