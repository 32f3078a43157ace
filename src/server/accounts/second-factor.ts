import { and, eq, isNotNull, lt, sql } from "drizzle-orm";
import { createCipheriv, createDecipheriv, createHash, randomBytes } from "node:crypto";
import { Secret, TOTP } from "otpauth";
import { renderSVG } from "uqr";
import { z } from "zod";
import { authDatabase } from "@/db/client";
import { secondFactor } from "@/db/schema/auth";
import { env } from "@/env";
import { now } from "../platform/clock";
import { Refusal } from "../platform/faults";

const PERIOD_S = 30;
const codeSchema = z
  .string()
  .trim()
  .regex(/^\d{6}$/, "six digits");
const key = () => createHash("sha256").update(`second factor ${env().AUTH_SECRET}`).digest();

function seal(text: string): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv("aes-256-gcm", key(), iv);
  const sealed = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
  return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString("base64url");
}

function unseal(text: string): string {
  const bytes = Buffer.from(text, "base64url");
  const decipher = createDecipheriv("aes-256-gcm", key(), bytes.subarray(0, 12));
  decipher.setAuthTag(bytes.subarray(12, 28));
  return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]).toString("utf8");
}

const totpOf = (secret: string, label: string) =>
  new TOTP({ issuer: "Merry Sentinel", label, secret: Secret.fromBase32(secret), period: PERIOD_S });

/** Whether a person signs in with one-time codes (RFC 6238) besides the password. */
export async function hasSecondFactor(userId: string): Promise<boolean> {
  const rows = await authDatabase()
    .select({ id: secondFactor.userId })
    .from(secondFactor)
    .where(and(eq(secondFactor.userId, userId), isNotNull(secondFactor.confirmedAt)));
  return rows.length > 0;
}

/** Begins: a new secret, as a picture for an authenticator and in letters. It counts once a code of it was given. */
export async function beginSecondFactor(userId: string, email: string): Promise<{ svg: string; secret: string }> {
  if (await hasSecondFactor(userId))
    throw new Refusal(409, "One-time codes are on already. Turn them off first to begin again.");
  const secret = new Secret({ size: 20 }).base32;
  await authDatabase()
    .insert(secondFactor)
    .values({ userId, secret: seal(secret) })
    .onConflictDoUpdate({ target: secondFactor.userId, set: { secret: seal(secret), lastStep: 0 } });
  return { svg: renderSVG(totpOf(secret, email).toString()), secret };
}

/**
 * Looks at a code, once: a code that was used does not work again.
 * @param confirms true for the first code, with which the second factor comes into force
 */
export async function checkCode(userId: string, raw: string, confirms = false): Promise<boolean> {
  const code = codeSchema.safeParse(raw);
  if (!code.success) return false;
  const [row] = await authDatabase().select().from(secondFactor).where(eq(secondFactor.userId, userId));
  if (!row || Boolean(row.confirmedAt) === confirms) return false;
  const delta = totpOf(unseal(row.secret), "").validate({ token: code.data, timestamp: now().getTime(), window: 1 });
  if (delta === null) return false;
  const step = Math.floor(now().getTime() / 1000 / PERIOD_S) + delta;
  const used = await authDatabase()
    .update(secondFactor)
    .set({ lastStep: step, ...(confirms ? { confirmedAt: sql`now()` } : {}) })
    .where(and(eq(secondFactor.userId, userId), lt(secondFactor.lastStep, step)))
    .returning({ id: secondFactor.userId });
  return used.length > 0;
}

export async function endSecondFactor(userId: string): Promise<void> {
  await authDatabase().delete(secondFactor).where(eq(secondFactor.userId, userId));
}
