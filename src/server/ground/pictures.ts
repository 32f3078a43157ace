import { desc, eq, inArray } from "drizzle-orm";
import exifr from "exifr";
import sharp from "sharp";
import { z } from "zod";
import type { Marks } from "@/core/measure";
import type { Transaction } from "@/db/client";
import { finding, picture, pictureMarks } from "@/db/schema";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { pictureMarksSchema } from "@/contracts/picture";

/** What is promised to people; a body may be as large as this and no larger. */
export const MOST_PICTURE_BYTES = 12e6;
const MOST_PIXELS = 50e6;
const LONGEST_SIDE_PX = 2000;

/** Stores a picture: real type checked, re-encoded, position data kept apart from what is shown. The same id is stored once. */
export async function savePicture(
  member: Member,
  id: string,
  findingId: string,
  content: Buffer,
  simulated = false,
): Promise<void> {
  if (!z.uuid().safeParse(id).success) throw new Refusal(400, "The picture's id is not a UUID.");
  if (!z.uuid().safeParse(findingId).success) throw notFound("The finding");
  if (content.length > MOST_PICTURE_BYTES)
    throw new Refusal(400, `The picture has ${Math.round(content.length / 1e6)} MB; 12 MB are allowed.`);
  const image = await encode(content);
  const camera = await readCamera(content);
  await asMember(member, async (tx) => {
    const [held] = await tx.select({ id: finding.id }).from(finding).where(eq(finding.id, findingId));
    if (!held) throw notFound("The finding");
    await count(tx, member, "picture");
    await tx
      .insert(picture)
      .values({
        districtId: member.districtId,
        id,
        findingId,
        content: image.data,
        widthPx: image.info.width,
        heightPx: image.info.height,
        ...camera,
        simulated,
        ...signature("by", member),
      })
      .onConflictDoNothing();
  });
}

/**
 * When and where a camera says that it took a picture. Cameras write odd things: a date that is none, the year 0, a longitude of
 * 999999. What cannot be is not known.
 */
export async function readCamera(
  content: Buffer,
): Promise<{ takenAt: Date | null; longitude: number | null; latitude: number | null }> {
  const position = await exifr.gps(content).catch(() => undefined);
  const taken: unknown = (await exifr.parse(content, ["DateTimeOriginal"]).catch(() => undefined))?.DateTimeOriginal;
  const isDate =
    taken instanceof Date && taken >= FIRST_PHOTOGRAPH && taken.getTime() < now().getTime() + 2 * 86_400_000;
  const isPlace = position && Math.abs(position.longitude) <= 180 && Math.abs(position.latitude) <= 90;
  return {
    takenAt: isDate ? taken : null,
    longitude: isPlace ? position.longitude : null,
    latitude: isPlace ? position.latitude : null,
  };
}
const FIRST_PHOTOGRAPH = new Date("1950-01-01T00:00:00Z");

export async function encode(content: Buffer) {
  try {
    const source = sharp(content, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format } = await source.metadata();
    if (!format || !["jpeg", "png", "webp", "heif"].includes(format)) throw new Error(`format ${format}`);
    return await source
      .rotate()
      .resize(LONGEST_SIDE_PX, LONGEST_SIDE_PX, { fit: "inside", withoutEnlargement: true })
      .webp({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw new Refusal(
      400,
      "This file is not a picture that can be read. Send a JPEG, PNG or WebP of at most 50 million pixels.",
    );
  }
}

export async function pictureContent(member: Member, id: string): Promise<Buffer> {
  if (!z.uuid().safeParse(id).success) throw notFound("The picture");
  return asMember(member, async (tx) => {
    const [row] = await tx.select({ content: picture.content }).from(picture).where(eq(picture.id, id));
    if (!row) throw notFound("The picture");
    return row.content;
  });
}

/** Keeps what was marked on a picture. The same id is stored once; marking again adds, and takes nothing away. */
export async function saveMarks(member: Member, pictureId: string, raw: unknown): Promise<void> {
  if (!z.uuid().safeParse(pictureId).success) throw new Refusal(400, "The picture's id is not a UUID.");
  const input = pictureMarksSchema.parse(raw);
  await asMember(member, async (tx) => {
    const [held] = await tx.select({ id: picture.id }).from(picture).where(eq(picture.id, pictureId));
    if (!held) throw notFound("The picture");
    await count(tx, member, "marks");
    await tx
      .insert(pictureMarks)
      .values({
        districtId: member.districtId,
        id: input.id,
        pictureId,
        marks: input.marks,
        ...signature("by", member),
      })
      .onConflictDoNothing();
  });
}

/** The last marks of each of these pictures. */
export async function marksOf(tx: Transaction, pictures: string[]): Promise<Map<string, Marks>> {
  if (pictures.length === 0) return new Map();
  const rows = await tx
    .select()
    .from(pictureMarks)
    .where(inArray(pictureMarks.pictureId, pictures))
    .orderBy(desc(pictureMarks.at), desc(pictureMarks.id));
  return new Map([...rows].reverse().map((row) => [row.pictureId, row.marks]));
}
