"use client";
import { useEffect, useState } from "react";
import { dayIn } from "@/core/time";
import { clock } from "@/wiring/browser";
import { buildModel, type Model } from "@/core/identify";
import { readCompiledFlora } from "@/core/flora";
import type { BenchPack } from "@/contracts/bench-pack";
import { openStore } from "../device/store";

const PATIENCE_MS = 10_000;

/** Today in the district, by this device's own clock; packs from before a district's zone was kept go by the device's. */
const todayOf = (pack: BenchPack): string =>
  dayIn(pack.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone, clock.now());

/** The pack of whoever used this device last and has not signed out; null where there is none; undefined until it is read. */
export function usePack(): BenchPack | null | undefined {
  const [pack, setPack] = useState<BenchPack | null | undefined>(undefined);
  useEffect(() => {
    const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_MS));
    const read = openStore().then(async (s) => (await s.packs.orderBy("usedAt").last())?.pack ?? null);
    Promise.race([read.catch(() => null), late]).then((found) => setPack(found && { ...found, today: todayOf(found) }));
  }, []);
  return pack;
}

/** The flora on this device as a model; null until it is read. */
export function useModel(floraUrl: string): { model: Model | null; fault: string | null } {
  const [model, setModel] = useState<Model | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    fetch(floraUrl)
      .then(async (response) => {
        if (!response.ok) throw new Error(`the flora is not on this device (${response.status})`);
        setModel(buildModel(readCompiledFlora(await response.json())));
      })
      .catch((error) => setFault(String(error.message ?? error)));
  }, [floraUrl]);
  return { model, fault };
}
