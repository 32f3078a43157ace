import { z } from "zod";
import { importPack, makePack, packToCsv, packToJson, previewPack } from "@/server/packs";
import { Refusal } from "@/server/faults";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

const wanted = z.object({ scope: z.string().default("all"), format: z.enum(["json", "csv"]).default("json") });

/** A flora pack out: all, a set, or what the district changed. */
export async function GET(request: Request) {
  return respond(async () => {
    const member = await requireRole();
    const { scope, format } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const pack = await makePack(member, scope === "all" || scope === "amendments" ? scope : { set: scope });
    const [body, type] = format === "csv" ? [packToCsv(pack), "text/csv; charset=utf-8"] : [packToJson(pack), "application/json; charset=utf-8"];
    return new Response(body, { headers: { "content-type": type, "content-disposition": `attachment; filename="flora-${scope.replace(/[^a-z0-9-]/g, "")}.${format}"`, "cache-control": "private, no-store" } });
  });
}

/** A pack in: shows what it would change, and takes it in only where that is asked for. */
export async function POST(request: Request) {
  return respond(async () => {
    const member = await requireRole("specialist");
    const form = await request.formData();
    const file = form.get("file");
    if (!(file instanceof File) || file.size === 0) throw new Refusal(400, "No file came.", [{ field: "file", what: "choose a pack as JSON or CSV" }]);
    const text = await file.text();
    if (form.get("take") !== "yes") return Response.json(await previewPack(member, text));
    const reason = z.string().trim().min(10, "say in at least 10 letters whose pack it is").max(1000).safeParse(form.get("reason") ?? "");
    if (!reason.success) throw new Refusal(400, "Say whose pack it is, and why it is taken in.", [{ field: "reason", what: reason.error.issues[0].message }]);
    return Response.json({ taken: await importPack(member, text, reason.data) });
  });
}
