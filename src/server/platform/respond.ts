import { env } from "@/env";
import { Refusal, toRefusal } from "./faults";
import { log, safeError } from "./log";

/** No request is worked on longer than this: it is answered, and given up. The database gives up sooner. */
export const MOST_REQUEST_MS = 25_000;
const SLOW = "That takes too long just now. It may have been stored; it is safe to send it again under the same id.";

/** Answers a route handler: refusals with their reason and code, anything else logged and told plainly, never a raw error. */
export async function respond(work: () => Promise<Response>): Promise<Response> {
  try {
    return await inTime(work());
  } catch (error) {
    const refusal = toRefusal(error);
    if (refusal)
      return Response.json(
        { error: { code: refusal.code, message: refusal.message, issues: refusal.issues } },
        {
          status: refusal.status,
          headers: { "cache-control": "no-store", ...(refusal.code === "wait" ? { "retry-after": "5" } : {}) },
        },
      );
    log.error(safeError(error), "request failed");
    return Response.json(
      {
        error: {
          code: "wait",
          message: "Something went wrong on the server. What you sent was not stored; it is safe to send again.",
          issues: [],
        },
      },
      { status: 500, headers: { "cache-control": "no-store" } },
    );
  }
}

/** The same for a route that writes: only pages of our own address may make a browser send it. */
export function respondToWrite(request: Request, work: () => Promise<Response>): Promise<Response> {
  return respond(async () => {
    checkOrigin(request.headers);
    return work();
  });
}

/**
 * A browser names the page that a request comes from; a program that is none names nothing. Cookies alone do not tell, as they go
 * with requests of any page of the same site.
 * @throws {Refusal} 403 where the request comes from a page that is not ours
 */
export function checkOrigin(headers: Headers): void {
  const origin = headers.get("origin");
  const site = headers.get("sec-fetch-site");
  const ours =
    origin === null
      ? site === null || site === "same-origin" || site === "none"
      : isOurs(origin, headers.get("host") ?? "");
  if (!ours)
    throw new Refusal(
      403,
      "This came from a page at another address than this program's. Nothing was stored.",
      [],
      "never",
    );
}

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])$/;

/** Our own address; on one's own machine also by its other names, at the very port that was asked. */
function isOurs(origin: string, host: string): boolean {
  const own = new URL(env().SENTINEL_URL);
  if (origin === own.origin) return true;
  return LOOPBACK.test(own.hostname) && LOOPBACK.test(host.replace(/:\d+$/, "")) && origin === `http://${host}`;
}

function inTime<T>(work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Refusal(503, SLOW)), MOST_REQUEST_MS);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

/** Answers a form action in the shape that the forms show. */
export async function answerForm(
  work: () => Promise<string>,
): Promise<{ ok: boolean; message: string; issues: { field: string; what: string }[] }> {
  try {
    return { ok: true, message: await inTime(work()), issues: [] };
  } catch (error) {
    const refusal = toRefusal(error);
    if (refusal) return { ok: false, message: refusal.message, issues: refusal.issues };
    if ((error as { digest?: string }).digest?.startsWith("NEXT_")) throw error;
    log.error(safeError(error), "action failed");
    return {
      ok: false,
      message: "Something went wrong on the server. Nothing was stored; what you typed is still here. Try again.",
      issues: [],
    };
  }
}
