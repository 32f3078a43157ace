import { headers } from "next/headers";
import { z } from "zod";
import { Refusal } from "../platform/faults";
import { accountOf, auth, takeCookies } from "./auth";
import { deviceKnownTo, rememberDevice } from "./known-devices";
import { networkOf, senderOf } from "./network";
import { checkCode, hasSecondFactor } from "./second-factor";
import { admitTry, forgetTries } from "./sign-in-limits";

const input = z.object({
  email: z.string().trim().toLowerCase().max(200),
  password: z.string().max(200),
  code: z.string().max(20).default(""),
});

/**
 * Signs a person in. What is wrong is not told apart: neither whether the address is known nor which of the two did not fit.
 * @throws {Refusal} 401, or 429 with the wait; with an issue at `code` where the password is right and a one-time code is wanted
 */
const signedInSchema = z.object({ token: z.string().optional() });

export async function signIn(raw: unknown): Promise<void> {
  const { email, password, code } = input.parse(raw);
  const attempt = {
    email,
    network: networkOf(senderOf(await headers())),
    knownDevice: await deviceKnownTo(email),
  };
  const wait = await admitTry(attempt);
  if (wait > 0)
    throw new Refusal(429, `Too many tries. Wait ${wait === 1 ? "a second" : `${wait} seconds`}, then try again.`);
  const response = await auth().api.signInEmail({
    body: { email, password },
    headers: await headers(),
    asResponse: true,
  });
  if (!response.ok) throw new Refusal(401, "That email and password don’t match.");
  const account = await accountOf(email);
  if (!account) throw new Refusal(401, "That email and password don’t match.");
  if ((await hasSecondFactor(account.id)) && !(await checkCode(account.id, code))) {
    await endSessionOf(response);
    throw new Refusal(
      401,
      code ? "That code does not fit, or was used before." : "Give the code that your authenticator shows.",
      [{ field: "code", what: "six digits, new every half minute" }],
    );
  }
  await forgetTries(attempt);
  await rememberDevice(account.id);
  await takeCookies(response);
}

/** The library made a session with the password alone: it ends before its cookie is given to anybody. */
async function endSessionOf(response: Response): Promise<void> {
  const { token } = signedInSchema.parse(await response.json());
  if (token) await (await auth().$context).internalAdapter.deleteSession(token);
}

/** Ends this session; its cookies go. */
export async function signOut(): Promise<void> {
  const response = await auth()
    .api.signOut({ headers: await headers(), asResponse: true })
    .catch(() => null);
  if (response) await takeCookies(response);
}

/** The token of the session that this request comes with, or null. */
export async function ownSession(): Promise<{ token: string; userId: string; email: string } | null> {
  const session = await auth().api.getSession({ headers: await headers() });
  return session ? { token: session.session.token, userId: session.user.id, email: session.user.email } : null;
}
