import { createHash, randomBytes } from "node:crypto";
import { and, eq, gt, isNull, sql } from "drizzle-orm";
import { authDatabase } from "@/db/client";
import { secretLink } from "@/db/schema/auth";

export const hashToken = (token: string): string => createHash("sha256").update(token).digest("hex");
export const newToken = (): string => randomBytes(24).toString("base64url");
const LINK_LIFE = "2 hours";

export type SecretLink = typeof secretLink.$inferSelect;

/** Makes a link that acts for a person, once, within two hours; those of the same kind from before end. @returns its token */
export async function makeSecretLink(
  userId: string,
  kind: SecretLink["kind"],
  { address = null, byMachine = false }: { address?: string | null; byMachine?: boolean } = {},
): Promise<string> {
  const token = newToken();
  await endSecretLinks(userId, kind);
  await authDatabase()
    .insert(secretLink)
    .values({
      tokenHash: hashToken(token),
      userId,
      kind,
      address,
      byMachine,
      expiresAt: sql`now() + interval '${sql.raw(LINK_LIFE)}'` as never,
    });
  return token;
}

const open = (token: string, kind: SecretLink["kind"]) =>
  and(
    eq(secretLink.tokenHash, hashToken(token)),
    eq(secretLink.kind, kind),
    isNull(secretLink.usedAt),
    gt(secretLink.expiresAt, sql`now()`),
  );

/** Whether a link may still be used; looking uses nothing up. */
export async function isOpen(token: string, kind: SecretLink["kind"]): Promise<boolean> {
  return (
    (await authDatabase().select({ t: secretLink.tokenHash }).from(secretLink).where(open(token, kind))).length > 0
  );
}

/** Uses a link up. @returns whom it acts for, or null where it is used up, too old or not ours */
export async function takeSecretLink(token: string, kind: SecretLink["kind"]): Promise<SecretLink | null> {
  const [used] = await authDatabase()
    .update(secretLink)
    .set({ usedAt: sql`now()` })
    .where(open(token, kind))
    .returning();
  return used ?? null;
}

/** Ends what links of a person are still open: all, or those of one kind. */
export async function endSecretLinks(userId: string, kind?: SecretLink["kind"]): Promise<void> {
  await authDatabase()
    .update(secretLink)
    .set({ usedAt: sql`now()` })
    .where(and(eq(secretLink.userId, userId), isNull(secretLink.usedAt), kind ? eq(secretLink.kind, kind) : undefined));
}
