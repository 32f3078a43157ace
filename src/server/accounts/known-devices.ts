import { createHash, randomBytes } from "node:crypto";
import { and, eq, sql } from "drizzle-orm";
import { cookies } from "next/headers";
import { authDatabase } from "@/db/client";
import { knownDevice, user } from "@/db/schema/auth";
import { isSecure } from "./auth";

const DEVICE_COOKIE = "sentinel.device";
const YEAR_S = 31_536_000;
const hash = (secret: string) => createHash("sha256").update(secret).digest("base64url");

/** The hash of this device's cookie, where the person of this address has signed in on it before; else null. */
export async function deviceKnownTo(email: string): Promise<string | null> {
  const secret = (await cookies()).get(DEVICE_COOKIE)?.value;
  if (!secret) return null;
  const [row] = await authDatabase()
    .select({ device: knownDevice.deviceHash })
    .from(knownDevice)
    .innerJoin(user, eq(user.id, knownDevice.userId))
    .where(and(eq(knownDevice.deviceHash, hash(secret)), eq(user.email, email.toLowerCase())));
  return row?.device ?? null;
}

/** Remembers that a person signed in on this device. */
export async function rememberDevice(userId: string): Promise<void> {
  const jar = await cookies();
  const secret = jar.get(DEVICE_COOKIE)?.value ?? randomBytes(24).toString("base64url");
  jar.set(DEVICE_COOKIE, secret, { httpOnly: true, sameSite: "lax", path: "/", maxAge: YEAR_S, secure: isSecure() });
  await authDatabase()
    .insert(knownDevice)
    .values({ deviceHash: hash(secret), userId })
    .onConflictDoUpdate({ target: [knownDevice.deviceHash, knownDevice.userId], set: { lastAt: sql`now()` } });
}

/** After a password was taken from someone, no device counts as known. */
export async function forgetDevices(userId: string): Promise<void> {
  await authDatabase().delete(knownDevice).where(eq(knownDevice.userId, userId));
}
