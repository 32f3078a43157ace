import { desc, eq, isNotNull, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { type Method, type MethodBook, methodOf, readOwnMethod } from "@/core/control";
import { plainText } from "@/core/limits";
import type { Transaction } from "@/db/client";
import { ownMethod } from "@/db/schema";
import { now } from "../platform/clock";
import { Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { shippedMethodBook } from "./method-book";

/** The newest word of the district on each method that it has spoken about. */
const newestWords = (tx: Transaction) =>
  tx
    .selectDistinctOn([ownMethod.methodId], {
      methodId: ownMethod.methodId,
      body: ownMethod.body,
      reason: ownMethod.reason,
      by: ownMethod.by,
      at: ownMethod.at,
    })
    .from(ownMethod)
    .orderBy(ownMethod.methodId, desc(ownMethod.at), desc(ownMethod.id));

/** The shipped methods with the district's own words laid over them, and its further methods after them. */
export async function methodBookHere(tx: Transaction): Promise<MethodBook> {
  const shipped = shippedMethodBook();
  const words = await newestWords(tx);
  const own = words.flatMap(({ body }) => {
    // What was checked when it was written may name a word that a later release took away: then the shipped method stands.
    const read = body === null ? null : readOwnMethod(shipped, body);
    return read?.method ? [read.method] : [];
  });
  if (own.length === 0) return shipped;
  const here = new Map(own.map((method) => [method.id, method]));
  const amended = shipped.methods.map((method) => here.get(method.id) ?? method);
  const further = own.filter(({ id }) => shipped.methods.every((method) => method.id !== id));
  return { ...shipped, methods: [...amended, ...further] };
}

/** Finds a method as the district has it, by an id of now or of before; one that was given up is found as it was last. */
export async function methodsHere(tx: Transaction): Promise<(id: string) => Method | undefined> {
  const book = await methodBookHere(tx);
  const given = await tx
    .selectDistinctOn([ownMethod.methodId], { methodId: ownMethod.methodId, body: ownMethod.body })
    .from(ownMethod)
    .where(isNotNull(ownMethod.body))
    .orderBy(ownMethod.methodId, desc(ownMethod.at), desc(ownMethod.id));
  const once = new Map(given.map(({ methodId, body }) => [methodId, body]));
  return (id) => {
    const body = once.get(id);
    return methodOf(book, id) ?? (body ? (readOwnMethod(book, body).method ?? undefined) : undefined);
  };
}

/** Names of methods as the district has them. */
export async function methodNamesHere(tx: Transaction): Promise<(id: string) => string> {
  const methods = await methodsHere(tx);
  return (id) => methods(id)?.name ?? id;
}

/** Names of the gear that a method needs. */
export const kitNames = (method: Method | undefined): string[] =>
  (method?.kit ?? []).map((word) => shippedMethodBook().vocabulary.kit[word] ?? word);

export interface MethodPage {
  method: Method;
  /** the method as it is shipped; left out where the district added it */
  shipped?: Method;
  /** the district's newest word on it */
  own: { body: string | null; reason: string; by: string; at: Date } | null;
}

/** Every method with the district's word on it. */
export const methodPages = (member: Member): Promise<MethodPage[]> =>
  asMember(member, async (tx) => {
    const { methods } = await methodBookHere(tx);
    const words = await newestWords(tx);
    return methods.map((method) => ({
      method,
      shipped: shippedMethodBook().methods.find(({ id }) => id === method.id),
      own: words.find(({ methodId }) => methodId === method.id) ?? null,
    }));
  });

/** What the district has said of one method so far, newest first. */
export const wordsOn = (member: Member, methodId: string) =>
  asMember(member, (tx) =>
    tx
      .select({
        id: ownMethod.id,
        reason: ownMethod.reason,
        by: ownMethod.by,
        at: ownMethod.at,
        given: sql<boolean>`${ownMethod.body} IS NOT NULL`,
      })
      .from(ownMethod)
      .where(eq(ownMethod.methodId, methodId))
      .orderBy(desc(ownMethod.at))
      .limit(30),
  );

const wordSchema = z.object({
  body: z.string().max(20_000, "write at most 20,000 letters"),
  reason: plainText(10, 1000, "say in at least 10 letters why this district does it otherwise", true),
});

/**
 * The district's own word on a method: amends the shipped one of its id, or adds one.
 * @throws {Refusal} 400 with the line of each fault
 */
export async function saveOwnMethod(member: Member, raw: unknown): Promise<string> {
  const input = wordSchema.parse(raw);
  const { method, problems } = readOwnMethod(shippedMethodBook(), input.body);
  if (!method)
    throw new Refusal(
      400,
      "The method cannot be read. Nothing was stored.",
      problems.map(({ line, what }) => ({ field: "body", what: `line ${line}: ${what}` })),
    );
  return asMember(member, async (tx) => {
    await append(tx, member, { methodId: method.id, body: input.body, reason: input.reason });
    return method.id;
  });
}

/** Takes the district's word on a method back: the shipped one counts again, and an added one is offered no more. */
export async function giveUpOwnMethod(member: Member, raw: unknown): Promise<void> {
  const input = z.object({ methodId: z.string().min(2).max(60), reason: wordSchema.shape.reason }).parse(raw);
  await asMember(member, async (tx) => {
    const word = (await newestWords(tx)).find(({ methodId }) => methodId === input.methodId);
    if (!word?.body) throw new Refusal(409, "This district has not changed that method.");
    await append(tx, member, { methodId: input.methodId, body: null, reason: input.reason });
  });
}

async function append(
  tx: Transaction,
  member: Member,
  word: { methodId: string; body: string | null; reason: string },
): Promise<void> {
  await count(tx, member, "change");
  await tx
    .insert(ownMethod)
    .values({ districtId: member.districtId, id: uuidv7(), ...word, at: now(), ...signature("by", member) });
}
