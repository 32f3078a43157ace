import { z } from "zod";
import { PACK_TABLES } from "@/core/pack";
import { checkPackFiles, makePack, MOST_PACK_BYTES, type PackScope, packToCsv, packToJson } from "@/server/flora/packs";
import { askForPackPreview } from "@/server/jobs/ask";
import { Refusal } from "@/server/platform/faults";
import { readBytes } from "@/server/platform/read-body";
import { respond, respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

const wanted = z.object({
  scope: z.string().max(200).default("all"),
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

/** A pack in: asks for what it would change. The files are read by the jobs process, not here. */
export async function POST(request: Request) {
  return respondToWrite(request, async () => {
    const member = await requireRole("specialist");
    const type = request.headers.get("content-type") ?? "";
    if (!type.startsWith("multipart/form-data")) throw new Refusal(415, "Send this as multipart/form-data.");
    const body = await readBytes(request, MOST_PACK_BYTES + 100_000, "What was sent");
    const form = await new Response(new Uint8Array(body), { headers: { "content-type": type } })
      .formData()
      .catch(() => null);
    const chosen = (form?.getAll("file") ?? []).filter((f) => f instanceof File && f.size > 0) as File[];
    if (chosen.length === 0)
      throw new Refusal(400, "No file was sent.", [
        { field: "file", what: "choose a pack as JSON, or its tables as CSV" },
      ]);
    const files = await Promise.all(
      chosen.map(async (f) => ({ name: f.name.slice(0, 200), text: (await f.text()).replaceAll("\0", " ") })),
    );
    checkPackFiles(files);
    return Response.json({ job: await askForPackPreview(member, files) }, { status: 202 });
  });
}
