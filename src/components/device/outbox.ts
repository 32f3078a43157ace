import { refusalWords } from "@/core/errors";
import { verdictsDiffer } from "@/core/identify";
import { ANSWER_CODES, type AnswerCode, stepAfter } from "@/core/outbox";
import { openStore } from "./store";
import type { Draft, OutboxItem, StoredPicture } from "./stored";
import { readError } from "@/contracts/error";
import { savedFindingSchema } from "@/contracts/finding";
import { MADE_FOR_HEADER } from "@/contracts/headers";
import { OUTBOX_ADDRESS } from "@/contracts/outbox";

/** How the last attempt to send ended. */
export interface Sent {
  /** how many findings the server has taken since */
  sent: number;
  /** why the rest waits, or null */
  waits: string | null;
}

/** How many findings wait, by whose they are, in the order in which they were made. */
export function waitingByPerson(items: OutboxItem[]): { person: string; n: number }[] {
  const counts = new Map<string, number>();
  for (const { person } of items) counts.set(person, (counts.get(person) ?? 0) + 1);
  return [...counts].map(([person, n]) => ({ person, n }));
}

const SEND_MS = 30_000;

/**
 * Lays a finding into the outbox and begins the next draft, both or neither: between the two nothing can be lost or doubled.
 * @throws where the device's store is closed to us; the draft then stays as it was
 */
export async function layOut(item: Omit<OutboxItem, "order" | "state">, fresh: Draft): Promise<void> {
  const store = await openStore();
  await store.transaction("rw", store.drafts, store.outbox, async () => {
    const last = await store.outbox.orderBy("order").last();
    await store.outbox.put({ ...item, order: (last?.order ?? 0) + 1, state: "waiting" });
    await store.drafts.put({ key: item.key, draft: fresh });
  });
}

/** Sends what waits, oldest first, one sender at a time however many windows are open. */
export async function sendWaiting(key: string): Promise<Sent> {
  if (!("locks" in navigator)) return sendInOrder(key);
  return navigator.locks.request("sentinel-outbox", () => sendInOrder(key));
}

async function sendInOrder(key: string): Promise<Sent> {
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
  const read = savedFindingSchema.safeParse(answer.body);
  // An answer that says neither number nor verdict is none of the server's: nothing is taken for stored by it.
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
  if (faults.length > 0)
    await store.outbox.update(item.id, {
      state: "refused",
      server,
      fault: `The finding is saved as number ${server.number}; not its ${faults.join(" ")}`,
    });
  else if (verdictsDiffer(item.field, server)) await store.outbox.update(item.id, { state: "clash", server });
  else await store.outbox.delete(item.id);
  return { taken: true, waits: null };
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
    // A page that stands between (a hotel's sign-in, say) answers well without having stored anything.
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

/** Where a finding stands that was laid out: null where the server has it and nothing is left to look at. */
export const standingOf = async (id: string): Promise<OutboxItem["state"] | null> =>
  (await (await openStore()).outbox.get(id))?.state ?? null;

/** Takes a finding out of the outbox: one whose clash was seen, or that is given up. Its pictures go with it. */
export async function takeOut(id: string): Promise<void> {
  const store = await openStore();
  await store.transaction("rw", store.outbox, store.pictures, async () => {
    await store.outbox.delete(id);
    await store.pictures.where("draftId").equals(id).delete();
  });
}

/** Opens a refused finding as the draft on the Bench again. Only where no other draft would be lost by it. */
export async function reopen(id: string): Promise<boolean> {
  const store = await openStore();
  return store.transaction("rw", store.outbox, store.drafts, async () => {
    const item = await store.outbox.get(id);
    const held = item && (await store.drafts.get(item.key))?.draft;
    if (!item || (held && (held.observations.length > 0 || held.note))) return false;
    const { body } = item;
    await store.drafts.put({
      key: item.key,
      draft: {
        id: body.id,
        siteId: body.siteId,
        patchId: body.patchId ?? null,
        place: [body.place.longitude, body.place.latitude],
        day: body.day,
        stage: body.stage,
        stageAsked: true,
        observations: body.observations,
        note: body.note ?? "",
      },
    });
    await store.outbox.delete(id);
    return true;
  });
}
