import { calendarOf } from "@/server/season/feed";
import { notFound } from "@/server/platform/faults";
import { respond } from "@/server/platform/respond";

const SECRET = /^[\w-]{32}$/;

/** A person's plans for a calendar program, which cannot sign in: the secret address is the key. */
export async function GET(_request: Request, { params }: { params: Promise<{ secret: string }> }) {
  return respond(async () => {
    const { secret } = await params;
    const calendar = SECRET.test(secret) ? await calendarOf(secret) : null;
    if (calendar === null) throw notFound("The calendar");
    return new Response(calendar, {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "cache-control": "private, no-store",
        "referrer-policy": "no-referrer",
      },
    });
  });
}
