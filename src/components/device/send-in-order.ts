import { refusalWords } from "@/core/errors";
import { verdictsDiffer } from "@/core/identify";
import { ANSWER_CODES, type AnswerCode, stepAfter } from "@/core/outbox";
import { readError } from "@/contracts/error";
import { type SavedFinding, savedFindingSchema } from "@/contracts/finding";
import { MADE_FOR_HEADER } from "@/contracts/headers";
import { OUTBOX_ADDRESS } from "@/contracts/outbox";
import { openStore } from "./store";
import type { FindingItem, OutboxItem, StoredPicture } from "./stored";

/** How the last attempt to send ended. */
export interface Sent {
  /** how many findings the server has taken since */
  sent: number;
  /** why the rest waits, or null */
  waits: string | null;
}

const SEND_MS = 30_000;

/** Sends what waits, oldest first, until the outbox is empty or something is in the way. Loaded only when something waits: every page has an outbox. */
export async function sendInOrder(key: string): Promise<Sent> {
  const store = await openStore();
  let sent = 0;
  for (;;) {
    const waiting = (await store.outbox.orderBy("order").toArray()).find(
      (item) => item.key === key && item.state === "waiting",
    );
    if (!waiting) return { sent, waits: null };
    const { taken, waits } = await sendOne(waiting);
    if (taken) sent++;
    if (waits) return { sent, waits };
  }
}

/** @returns whether the server has it whole, and why everything after it must wait, or null to go on */
async function sendOne(item: OutboxItem): Promise<{ taken: boolean; waits: string | null }> {
  const store = await openStore();
  const answer = await ask(OUTBOX_ADDRESS[item.kind], item.key, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(item.body),
  });
  const step = stepAfter(answer.said);
  if (step.kind === "refused") {
    await store.outbox.update(item.id, { state: "refused", fault: step.why });
    return { taken: false, waits: null };
  }
  if (step.kind !== "held") return { taken: false, waits: step.why };
  if (item.kind === "drill") {
    await store.outbox.delete(item.id);
    return { taken: true, waits: null };
  }
  return findingTaken(item, answer.body);
}

async function findingTaken(item: FindingItem, body: unknown): Promise<{ taken: boolean; waits: string | null }> {
  const store = await openStore();
  const read = savedFindingSchema.safeParse(body);
  // An answer that says neither number nor verdict is none of the server's: it is no proof that anything was stored.
  if (!read.success)
    return { taken: false, waits: "Something between this device and the server answered instead of the server." };
  const server = read.data;
  const pictures = await store.pictures.where("draftId").equals(item.id).toArray();
  const faults: string[] = [];
  for (const picture of pictures) {
    const { waits, fault } = await sendPicture(item, picture);
    if (waits) return { taken: false, waits };
    if (fault) faults.push(fault);
    else await store.pictures.delete(picture.id);
  }
  const left = leftToSee(item, server, faults);
  if (left) await store.outbox.put(left);
  else await store.outbox.delete(item.id);
  return { taken: true, waits: null };
}

/** What a person still has to see of a finding that the server has: pictures that it refused, or another verdict. */
function leftToSee(item: FindingItem, server: SavedFinding, faults: string[]): FindingItem | null {
  const fault = `The finding is saved as number ${server.number}; not its ${faults.join(" ")}`;
  if (faults.length > 0) return { ...item, state: "refused", server, fault };
  return verdictsDiffer(item.field, server) ? { ...item, state: "clash", server } : null;
}

async function sendPicture(item: OutboxItem, picture: StoredPicture): Promise<{ waits?: string; fault?: string }> {
  const answer = await ask(
    `/api/v1/pictures/${picture.id}?finding=${item.id}${picture.drawn ? "&drawn" : ""}`,
    item.key,
    { method: "PUT", body: picture.blob },
  );
  let step = stepAfter(answer.said);
  if (step.kind === "held" && picture.marks) {
    const kept = await ask(`/api/v1/pictures/${picture.id}/marks`, item.key, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ id: picture.marksId, marks: picture.marks }),
    });
    step = stepAfter(kept.said);
  }
  if (step.kind === "held") return {};
  return step.kind === "refused" ? { fault: `picture ${picture.name}: ${step.why}` } : { waits: step.why };
}

async function ask(
  url: string,
  key: string,
  init: RequestInit,
): Promise<{ said: Parameters<typeof stepAfter>[0]; body: unknown }> {
  try {
    const response = await fetch(url, {
      ...init,
      headers: { ...init.headers, [MADE_FOR_HEADER]: key },
      signal: AbortSignal.timeout(SEND_MS),
    });
    const body = await response.json().catch(() => null);
    // A hotel's sign-in page, say, may answer instead of the server: it answers well and stores nothing.
    if (body === null) return { said: null, body };
    if (response.ok) return { said: { taken: true, code: null, message: "" }, body };
    const error = readError(body);
    const code = ANSWER_CODES.find((known) => known === error?.code) ?? null;
    const message = error
      ? refusalWords(error.message, error.issues).join(" ")
      : "Something between this device and the server answered instead of the server.";
    return { said: { taken: false, code: code satisfies AnswerCode | null, message }, body };
  } catch {
    return { said: null, body: null };
  }
}
