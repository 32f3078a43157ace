import { Refusal } from "@/server/platform/faults";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { camera } from "@/wiring/server";

/** A drawn photograph to practice measuring on, in the demonstration alone. `?truth` tells what it shows. */
export async function GET(request: Request) {
  return respond(async () => {
    await requireRole();
    const drawn = camera();
    if (!drawn) throw new Refusal(404, "Drawn photographs are for the demonstration.");
    const asked = new URL(request.url).searchParams;
    const seed = Number(asked.get("seed") ?? 1);
    if (!Number.isFinite(seed))
      throw new Refusal(400, "The seed must be a whole number.", [{ field: "seed", what: "give any number" }]);
    const { jpeg, truth } = await drawn.sample(seed);
    if (asked.has("truth")) return Response.json(truth);
    return new Response(new Uint8Array(jpeg), {
      headers: { "content-type": "image/jpeg", "cache-control": "private, max-age=3600" },
    });
  });
}
