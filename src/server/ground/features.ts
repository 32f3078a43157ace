import { sql } from "drizzle-orm";
import { firstOf } from "@/core/items";
import { featureSchema } from "@/contracts/ground";
import { feature } from "@/db/schema";
import { Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

/** Puts a stream, a track, a lake, a wood or a field on the map, once per id. Distances to water follow it from then on. */
export async function saveFeature(member: Member, raw: unknown): Promise<{ id: string }> {
  const input = featureSchema.parse(raw);
  return asMember(member, async (tx) => {
    const shape = sql`ST_SetSRID(ST_GeomFromGeoJSON(${JSON.stringify(input.shape)}), 4326)`;
    const { valid } = firstOf(
      (await tx.execute<{ valid: boolean }>(sql`SELECT ST_IsValid(${shape}) AND NOT ST_IsEmpty(${shape}) AS valid`))
        .rows,
    );
    if (!valid)
      throw new Refusal(400, "The outline crosses itself. Draw it again.", [
        { field: "shape", what: "draw a line that does not cross itself" },
      ]);
    await count(tx, member, "site");
    await tx
      .insert(feature)
      .values({ districtId: member.districtId, ...input, ...signature("madeBy", member) })
      .onConflictDoNothing();
    return { id: input.id };
  });
}
