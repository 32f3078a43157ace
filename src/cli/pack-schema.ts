import { writeFileSync } from "node:fs";
import { z } from "zod";
import { packSchema } from "@/core/pack";

/** Writes the schema of a flora pack, from the one that the application itself checks with. */
export const packJsonSchema = (): string => `${JSON.stringify(z.toJSONSchema(packSchema, { io: "input" }), null, 2)}\n`;
export const PACK_SCHEMA_PATH = "docs/flora-pack.schema.json";

if (process.argv[1]?.endsWith("pack-schema.ts")) writeFileSync(PACK_SCHEMA_PATH, packJsonSchema());
