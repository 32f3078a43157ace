import { saveFeature } from "@/server/ground/features";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** A feature of the map that someone has drawn. */
export async function POST(request: Request) {
  return respondToWrite(request, async () =>
    Response.json(await saveFeature(await requireRole("keeper", "specialist"), await readJson(request)), {
      status: 201,
    }),
  );
}
