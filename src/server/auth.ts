import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { nextCookies } from "better-auth/next-js";
import { authDatabase } from "@/db/client";
import * as tables from "@/db/schema/auth";

function make() {
  const secure = process.env.SENTINEL_URL?.startsWith("https:") ?? false;
  return betterAuth({
    baseURL: process.env.SENTINEL_URL ?? "http://127.0.0.1:3210",
    secret: process.env.AUTH_SECRET,
    telemetry: { enabled: false },
    database: drizzleAdapter(authDatabase(), {
      provider: "pg",
      schema: {
        user: tables.user,
        session: tables.session,
        account: tables.account,
        verification: tables.verification,
        rateLimit: tables.rateLimit,
      },
    }),
    emailAndPassword: { enabled: true, minPasswordLength: 10, maxPasswordLength: 128 },
    // People come in by invitation or by the set-up code, never by signing themselves up.
    disabledPaths: ["/sign-up/email", "/change-email", "/delete-user"],
    session: { expiresIn: 60 * 60 * 24 * 30, updateAge: 60 * 60 * 24 },
    rateLimit: {
      enabled: process.env.NODE_ENV === "production",
      storage: "database",
      window: 60,
      max: 120,
      customRules: { "/sign-in/email": { window: 60, max: 8 } },
    },
    advanced: { useSecureCookies: secure, cookiePrefix: "sentinel" },
    plugins: [nextCookies()],
  });
}

let made: ReturnType<typeof make> | undefined;
/** Made on first use, so that a build needs no database. */
export function auth(): ReturnType<typeof make> {
  made ??= make();
  return made;
}

/** Makes an account with a password; used by set-up and invitations only. */
export async function createPerson(person: { name: string; email: string; password: string }): Promise<string> {
  const context = await auth().$context;
  const existing = await context.internalAdapter.findUserByEmail(person.email.toLowerCase());
  if (existing) return existing.user.id;
  const user = await context.internalAdapter.createUser(
    { name: person.name, email: person.email.toLowerCase(), emailVerified: true },
    { method: "email-password" } as never,
  );
  await context.internalAdapter.linkAccount({
    userId: user.id,
    providerId: "credential",
    accountId: user.id,
    password: await context.password.hash(person.password),
  });
  return user.id;
}
