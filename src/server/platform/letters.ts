import { desc } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import type { Actor, Transaction } from "@/db/client";
import { job, mail, sampleLetter } from "@/db/schema";
import { mailWay } from "@/env";
import { signature } from "../records/signature";

/** Writes a letter and asks for it to be sent, both or neither. Nobody can read it here: the jobs process hands it over and forgets its text. */
export async function writeLetter(
  tx: Transaction,
  districtId: string,
  by: Actor,
  letter: { to: string; subject: string; body: string },
): Promise<void> {
  const id = uuidv7();
  await tx.insert(mail).values({ districtId, id, recipient: letter.to, subject: letter.subject, body: letter.body });
  await tx
    .insert(job)
    .values({ districtId, id: uuidv7(), kind: "mail", input: { mailId: id }, ...signature("askedBy", by) });
}

/** Letters that left, or wait, newest first; in the demonstration with their text, as nobody else gets them. */
export async function lettersOf(tx: Transaction) {
  const sent = await tx
    .select({ id: mail.id, recipient: mail.recipient, subject: mail.subject, sentAt: mail.sentAt })
    .from(mail)
    .orderBy(desc(mail.createdAt))
    .limit(20);
  const samples =
    mailWay() === "sample"
      ? new Map(
          (await tx.select({ id: sampleLetter.id, body: sampleLetter.body }).from(sampleLetter)).map((l) => [
            l.id,
            l.body,
          ]),
        )
      : new Map<string, string>();
  return sent.map((letter) => ({ ...letter, body: samples.get(letter.id) ?? null }));
}
