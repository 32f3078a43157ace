import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { cookies } from "next/headers";
import { authDatabase } from "@/db/client";
import * as tables from "@/db/schema/auth";
import { env } from "@/env";
import { hashPassword, LEAST_PASSWORD, MOST_PASSWORD, verifyPassword } from "./passwords";

export const isSecure = (): boolean => env().SENTINEL_URL.startsWith("https:");

/**
 * Sessions and accounts. None of the library's own addresses is served: people sign in, and change what is theirs, through this
 * program's forms alone, which check limits, second factors and names.
 */
function make() {
  return betterAuth({
    baseURL: env().SENTINEL_URL,
    secret: env().AUTH_SECRET,
    telemetry: { enabled: false },
    database: drizzleAdapter(authDatabase(), {
      provider: "pg",
      schema: {
        user: tables.user,
        session: tables.session,
        account: tables.account,
        verification: tables.verification,
      },
    }),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: LEAST_PASSWORD,
      maxPasswordLength: MOST_PASSWORD,
      password: { hash: hashPassword, verify: verifyPassword },
    },
    session: { expiresIn: 60 * 60 * 24 * 30, updateAge: 60 * 60 * 24 },
    rateLimit: { enabled: false },
    advanced: { useSecureCookies: isSecure(), cookiePrefix: "sentinel" },
  });
}

let made: ReturnType<typeof make> | undefined;
/** Made on first use, so that a build needs no database. */
export function auth(): ReturnType<typeof make> {
  made ??= make();
  return made;
}

export interface Account {
  id: string;
  name: string;
  email: string;
  /** that the person reads letters to this address was shown by a link that went there */
  proved: boolean;
}

/** The account of an address, however it is written; null where there is none. */
export async function accountOf(email: string): Promise<Account | null> {
  const context = await auth().$context;
  const found = await context.internalAdapter.findUserByEmail(email.trim().toLowerCase());
  return found
    ? { id: found.user.id, name: found.user.name, email: found.user.email, proved: found.user.emailVerified }
    : null;
}

/**
 * Makes an account with a password.
 * @param proved whether the person came by a link that went to the address alone
 * @throws where the address has an account already: its password is never set here
 */
export async function createAccount(
  person: { name: string; email: string; password: string },
  proved: boolean,
): Promise<string> {
  const context = await auth().$context;
  const password = await context.password.hash(person.password);
  const user = await context.internalAdapter.createUser(
    { name: person.name, email: person.email.toLowerCase(), emailVerified: proved },
    { method: "email-password" } as never,
  );
  await context.internalAdapter.linkAccount({
    userId: user.id,
    providerId: "credential",
    accountId: user.id,
    password,
  });
  return user.id;
}

/** Ends the sessions of a person; `but` is the token of the one that stays. */
export async function endSessions(userId: string, but: string | null = null): Promise<void> {
  const context = await auth().$context;
  const sessions = await context.internalAdapter.listSessions(userId);
  await context.internalAdapter.deleteSessions(sessions.map((s) => s.token).filter((token) => token !== but));
}

/** Sets or takes off the cookies that an answer of the library carries. */
export async function takeCookies(response: Response): Promise<void> {
  const jar = await cookies();
  for (const line of response.headers.getSetCookie()) {
    const [pair = "", ...attributes] = line.split("; ");
    const at = pair.indexOf("=");
    const maxAge = attributes.find((a) => a.toLowerCase().startsWith("max-age="));
    jar.set(pair.slice(0, at), decodeURIComponent(pair.slice(at + 1)), {
      httpOnly: true,
      sameSite: "lax",
      path: "/",
      secure: isSecure(),
      ...(maxAge ? { maxAge: Number(maxAge.split("=")[1]) } : {}),
    });
  }
}
