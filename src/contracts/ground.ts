import { z } from "zod";
import { plainText } from "@/core/limits";
import { siteRulesSchema } from "./stored";

const position = z.tuple([z.number().min(-180).max(180), z.number().min(-85).max(85)]);
const ring = z.array(position).min(4).max(2000);
/** WGS 84, longitude first. */
export const polygonSchema = z.object({ type: z.literal("Polygon"), coordinates: z.array(ring).min(1).max(20) });

/** What a small map draws of a feature: a line, or an area. */
export const mapShapeSchema = z.union([
  z.object({ type: z.literal("LineString"), coordinates: z.array(position).min(2).max(20_000) }),
  polygonSchema,
]);
export type MapPolygon = z.output<typeof polygonSchema>;
export type MapShape = z.output<typeof mapShapeSchema>;

/** Ground that one plant takes up where only the number of plants is told, m². It is shown with the patch as what it is. */
export const GROUND_PER_PLANT_M2 = 1;

/**
 * A patch: drawn, or round about the point of a finding with a typed area or a number of plants. A single plant by the track
 * needs no drawing.
 */
export const patchSchema = z
  .object({
    id: z.uuid(),
    siteId: z.uuid(),
    taxon: z.string().min(1).max(200),
    name: plainText(1, 120, "give the patch a name"),
    outline: polygonSchema.optional(),
    areaM2: z.number().positive("give an area above 0").max(1e6, "give at most 100 hectares, or draw it").optional(),
    plants: z.number().int("give a whole number").positive("give at least one plant").max(1e6).optional(),
    coverShare: z.number().min(0).max(1).nullable().default(null),
    findingId: z.uuid().nullable().default(null),
  })
  .refine((p) => p.outline || p.areaM2 || p.plants, {
    path: ["areaM2"],
    message: "draw the patch, or give its area or the number of plants",
  })
  .refine((p) => p.outline || p.findingId, {
    path: ["findingId"],
    message: "a patch that is not drawn needs a finding. Its place is the point of the finding",
  });
export type PatchRequest = z.input<typeof patchSchema>;

export const siteSchema = z.object({
  id: z.uuid(),
  name: plainText(1, 120, "give the site a name"),
  outline: polygonSchema,
  ground: z.string().min(1).max(60),
  note: plainText(0, 1000, "", true).default(""),
  rules: siteRulesSchema,
});
export type SiteRequest = z.input<typeof siteSchema>;

/** Features of the map that are lines, and those that are areas. */
export const LINE_KINDS = ["river", "creek", "track"] as const;
export const AREA_KINDS = ["lake", "wood", "field"] as const;
const isLine = (kind: string) => LINE_KINDS.some((line) => line === kind);

/** A feature of the map: a stream, a track, a lake, a wood, a field. */
export const featureSchema = z
  .object({
    id: z.uuid(),
    kind: z.enum([...LINE_KINDS, ...AREA_KINDS], "say what it is"),
    name: plainText(1, 120, "give it a name"),
    shape: z.union([
      z.object({ type: z.literal("LineString"), coordinates: z.array(position).min(2).max(2000) }),
      polygonSchema,
    ]),
    /** a stream that was drawn in the direction in which it flows */
    flows: z.boolean().default(false),
  })
  .refine((f) => isLine(f.kind) === (f.shape.type === "LineString"), {
    path: ["shape"],
    message: "draw streams and tracks as a line, and lakes, woods and fields as an outline",
  })
  .refine((f) => !f.flows || f.kind === "river" || f.kind === "creek", {
    path: ["flows"],
    message: "only a stream flows",
  });
export type FeatureRequest = z.input<typeof featureSchema>;

/** What the server answers to either. */
