import { eq, inArray } from "drizzle-orm";
import { z } from "zod";
import type { Transaction } from "@/db/client";
import { checkPicture, followUp } from "@/db/schema";
import { encode, MOST_PICTURE_BYTES } from "../ground/pictures";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";

/** Stores a picture of what a check saw: real type checked and re-encoded, without its position. The same id is stored once. */
export async function saveCheckPicture(member: Member, id: string, checkId: string, content: Buffer): Promise<void> {
  if (!z.uuid().safeParse(id).success) throw new Refusal(400, "The picture's id is not a UUID.");
  if (!z.uuid().safeParse(checkId).success) throw notFound("The check");
  if (content.length > MOST_PICTURE_BYTES)
    throw new Refusal(400, `The picture has ${Math.round(content.length / 1e6)} MB; 12 MB are allowed.`);
  const { data, info } = await encode(content);
  await asMember(member, async (tx) => {
    const [held] = await tx.select({ id: followUp.id }).from(followUp).where(eq(followUp.id, checkId));
    if (!held) throw notFound("The check");
    await count(tx, member, "picture");
    await tx
      .insert(checkPicture)
      .values({
        districtId: member.districtId,
        id,
        followUpId: checkId,
        content: data,
        widthPx: info.width,
        heightPx: info.height,
        at: now(),
        ...signature("by", member),
      })
      .onConflictDoNothing();
  });
}

export async function checkPictureContent(member: Member, id: string): Promise<Buffer> {
  if (!z.uuid().safeParse(id).success) throw notFound("The picture");
  return asMember(member, async (tx) => {
    const [row] = await tx.select({ content: checkPicture.content }).from(checkPicture).where(eq(checkPicture.id, id));
    if (!row) throw notFound("The picture");
    return row.content;
  });
}

/** Ids of the pictures of some checks, by check. */
export async function picturesOfChecks(tx: Transaction, checkIds: string[]): Promise<Map<string, string[]>> {
  const of = new Map<string, string[]>();
  if (checkIds.length === 0) return of;
  const rows = await tx
    .select({ id: checkPicture.id, checkId: checkPicture.followUpId })
    .from(checkPicture)
    .where(inArray(checkPicture.followUpId, checkIds))
    .orderBy(checkPicture.at);
  for (const { id, checkId } of rows) of.set(checkId, [...(of.get(checkId) ?? []), id]);
  return of;
}
