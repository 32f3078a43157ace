import { toRefusal } from "./faults";
import { log } from "./log";

/** Answers a route handler: refusals with their reason, anything else logged and told plainly, never a raw error. */
export async function respond(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    const refusal = toRefusal(error);
    if (refusal)
      return Response.json({ error: { message: refusal.message, issues: refusal.issues } }, { status: refusal.status });
    log.error({ error: (error as Error).message, stack: (error as Error).stack }, "request failed");
    return Response.json(
      {
        error: {
          message: "Something went wrong on the server. What you sent was not stored; it is safe to send again.",
          issues: [],
        },
      },
      { status: 500 },
    );
  }
}

/** Answers a form action in the shape that the forms show. */
export async function answerForm(
  work: () => Promise<string>,
): Promise<{ ok: boolean; message: string; issues: { field: string; what: string }[] }> {
  try {
    return { ok: true, message: await work(), issues: [] };
  } catch (error) {
    const refusal = toRefusal(error);
    if (refusal) return { ok: false, message: refusal.message, issues: refusal.issues };
    if ((error as { digest?: string }).digest?.startsWith("NEXT_")) throw error;
    log.error({ error: (error as Error).message, stack: (error as Error).stack }, "action failed");
    return {
      ok: false,
      message: "Something went wrong on the server. Nothing was stored; what you typed is still here. Try again.",
      issues: [],
    };
  }
}
