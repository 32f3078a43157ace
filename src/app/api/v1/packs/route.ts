import { z } from "zod";
import { PACK_TABLES } from "@/core/pack";
import { importPack, makePack, type PackScope, packToCsv, packToJson, previewPack } from "@/server/packs";
import { Refusal } from "@/server/faults";
import { respond } from "@/server/respond";
import { requireRole } from "@/server/session";

const wanted = z.object({
  scope: z.string().default("all"),
  format: z.enum(["json", "csv"]).default("json"),
  table: z.enum(PACK_TABLES).default("scores"),
});

const scopeOf = (scope: string): PackScope =>
  scope === "all" || scope === "amendments"
    ? scope
    : scope.startsWith("plant:")
      ? { plant: scope.slice(6) }
      : { set: scope };

/** A flora pack out: all, a set, a plant, or what the district changed; as one file of JSON, or one table of it. */
export async function GET(request: Request) {
  return respond(async () => {
    const member = await requireRole();
    const { scope, format, table } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const pack = await makePack(member, scopeOf(scope));
    const [body, type] =
      format === "csv"
        ? [packToCsv(pack, table), "text/csv; charset=utf-8"]
        : [packToJson(pack), "application/json; charset=utf-8"];
    return new Response(body, {
      headers: {
        "content-type": type,
        "content-disposition": `attachment; filename="flora-${scope.replace(/[^a-z0-9-]/g, "-")}${format === "csv" ? `-${table}` : ""}.${format}"`,
        "cache-control": "private, no-store",
      },
    });
  });
}

/** A pack in: shows what it would change, and takes it in only where that is asked for. */
export async function POST(request: Request) {
  return respond(async () => {
    const member = await requireRole("specialist");
    const form = await request.formData();
    const chosen = form.getAll("file").filter((f) => f instanceof File && f.size > 0) as File[];
    if (chosen.length === 0)
      throw new Refusal(400, "No file came.", [{ field: "file", what: "choose a pack as JSON, or its tables as CSV" }]);
    const files = await Promise.all(chosen.map(async (f) => ({ name: f.name, text: await f.text() })));
    if (form.get("take") !== "yes") return Response.json(await previewPack(member, files));
    const reason = z
      .string()
      .trim()
      .min(10, "say in at least 10 letters whose pack it is")
      .max(1000)
      .safeParse(form.get("reason") ?? "");
    if (!reason.success)
      throw new Refusal(400, "Say whose pack it is, and why it is taken in.", [
        { field: "reason", what: reason.error.issues[0].message },
      ]);
    return Response.json({ taken: await importPack(member, files, reason.data) });
  });
}
