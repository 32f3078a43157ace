"use client";
import { useEffect, useState } from "react";
import type { DrillPack } from "@/contracts/drill";
import { layOutAnswer } from "./outbox";
import { follow, openStore } from "./store";
import type { DrillItem } from "./stored";

const NOTHING: DrillPack = { answers: [], sets: [], mistaken: [] };
const PATIENCE_MS = 5000;
type Answer = DrillPack["answers"][number];

/** A person's past in practice and the district's sets, as this device has them; null until they are read. */
export function useDrillPast(key: string): DrillPack | null {
  const [past, setPast] = useState<DrillPack | null>(null);
  useEffect(() => follow((s) => s.drills.get(key).then((row) => row?.pack ?? NOTHING), setPast), [key]);
  useEffect(() => {
    // A window that keeps nothing practices all the same.
    const late = setTimeout(() => setPast((now) => now ?? NOTHING), PATIENCE_MS);
    return () => clearTimeout(late);
  }, []);
  return past;
}

/**
 * Fetches them from the server. Answers that the server does not have yet stay.
 * @throws where there is no signal
 */
export async function refreshDrillPast(key: string): Promise<void> {
  const response = await fetch("/api/v1/drill-pack");
  if (!response.ok) return;
  const { drillPackSchema } = await import("@/contracts/drill");
  const pack = drillPackSchema.parse(await response.json());
  const store = await openStore();
  await store.transaction("rw", store.drills, async () => {
    const before = (await store.drills.get(key))?.pack.answers ?? [];
    await store.drills.put({ key, pack: { ...pack, answers: merged(pack.answers, before) } });
  });
}

/** Both, each answer once, in the order of time. */
export function merged(sent: Answer[], kept: Answer[]): Answer[] {
  const known = new Set(sent.map(({ at }) => at));
  return [...sent, ...kept.filter(({ at }) => !known.has(at))].sort((a, b) => a.at.localeCompare(b.at));
}

/** Lays an answer out to be sent, and remembers it on the device: practice goes on by it without a signal. */
export async function keepAnswer(item: Omit<DrillItem, "order" | "state">, answer: Answer): Promise<void> {
  await layOutAnswer(item);
  const store = await openStore();
  await store.transaction("rw", store.drills, async () => {
    const pack = (await store.drills.get(item.key))?.pack ?? NOTHING;
    await store.drills.put({ key: item.key, pack: { ...pack, answers: merged(pack.answers, [answer]) } });
  });
}
