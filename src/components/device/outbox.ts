import type { Sent } from "./send-in-order";
import { openStore } from "./store";
import type { DrillItem, Draft, FindingItem, OutboxItem } from "./stored";

/** How many findings wait, by whose they are, in the order in which they were made. */
export function waitingByPerson(items: OutboxItem[]): { person: string; n: number }[] {
  const counts = new Map<string, number>();
  for (const { person } of items) counts.set(person, (counts.get(person) ?? 0) + 1);
  return [...counts].map(([person, n]) => ({ person, n }));
}

/**
 * Lays a finding into the outbox and begins the next draft, both or neither: between the two nothing can be lost or doubled.
 * @throws where the device's store is closed to us; the draft then stays as it was
 */
export async function layOut(item: Omit<FindingItem, "order" | "state">, fresh: Draft): Promise<void> {
  const store = await openStore();
  await store.transaction("rw", store.drafts, store.outbox, async () => {
    const last = await store.outbox.orderBy("order").last();
    await store.outbox.put({ ...item, order: (last?.order ?? 0) + 1, state: "waiting" });
    await store.drafts.put({ key: item.key, draft: fresh });
  });
}

/** Lays an answer of practice into the outbox. */
export async function layOutAnswer(item: Omit<DrillItem, "order" | "state">): Promise<void> {
  const store = await openStore();
  await store.transaction("rw", store.outbox, async () => {
    const last = await store.outbox.orderBy("order").last();
    await store.outbox.put({ ...item, order: (last?.order ?? 0) + 1, state: "waiting" });
  });
}

/** Sends what waits, oldest first, one sender at a time however many windows are open. */
export async function sendWaiting(key: string): Promise<Sent> {
  const { sendInOrder } = await import("./send-in-order");
  if (!("locks" in navigator)) return sendInOrder(key);
  return navigator.locks.request("sentinel-outbox", () => sendInOrder(key));
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
    if (item?.kind !== "finding") return false;
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
        ...(body.stages?.[0] && body.stages[1] ? { stages: [body.stages[0], body.stages[1]] as const } : {}),
        ...(body.wordless ? { wordless: body.wordless } : {}),
        stageAsked: true,
        observations: body.observations,
        note: body.note ?? "",
      },
    });
    await store.outbox.delete(id);
    return true;
  });
}
