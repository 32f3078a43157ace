"use client";

import Link from "next/link";
import { usePathname, useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { waitBefore } from "@/core/outbox";
import { clock } from "@/wiring/browser";
import { sendWaiting } from "./outbox";
import { follow, openStore } from "./store";
import type { OutboxItem } from "./stored";

export const SERVICE_WORKER = "/serwist/sw.js";

/** The findings of this person in this district that wait on the device; null until they are read. */
export function useOutbox(key: string): OutboxItem[] | null {
  const [items, setItems] = useState<OutboxItem[] | null>(null);
  useEffect(
    () =>
      follow(
        (s) =>
          s.outbox
            .orderBy("order")
            .toArray()
            .then((all) => all.filter((item) => item.key === key)),
        setItems,
      ),
    [key],
  );
  return items;
}

/**
 * Makes the device ready for work without a signal (service worker, flora, the district's pack), sends what waits when the signal is
 * back, and says how much waits.
 */
export function DeviceKeeper({ deviceKey }: { deviceKey: string }) {
  const items = useOutbox(deviceKey);
  const path = usePathname();
  const router = useRouter();
  const waiting = items?.filter((item) => item.state === "waiting").length ?? 0;
  const heeded = (items?.length ?? 0) - waiting;
  useEffect(() => {
    prepare(deviceKey);
  }, [deviceKey]);
  const failures = useRef(0);
  const shown = useRef({ router, path });
  shown.current = { router, path };
  useEffect(() => {
    if (waiting === 0) return;
    let timer = 0;
    let ended = false;
    const tryNow = async () => {
      window.clearTimeout(timer);
      const { sent, waits } = await sendWaiting(deviceKey).catch(() => ({ sent: 0, waits: "closed" }));
      if (ended) return;
      failures.current = waits ? failures.current + 1 : 0;
      if (sent > 0 && shown.current.path !== "/bench") shown.current.router.refresh();
      if (waits) timer = window.setTimeout(tryNow, 1000 * waitBefore(failures.current));
    };
    const seen = () => document.visibilityState === "visible" && tryNow();
    timer = window.setTimeout(tryNow, 1500);
    window.addEventListener("online", tryNow);
    document.addEventListener("visibilitychange", seen);
    return () => {
      ended = true;
      window.clearTimeout(timer);
      window.removeEventListener("online", tryNow);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [deviceKey, waiting]);
  if (!items || items.length === 0) return null;
  return (
    <Link href="/outbox" className={`chip ${heeded > 0 ? "border-[var(--madder)]!" : ""}`}>
      <span>
        Outbox: {waiting > 0 ? `${waiting} waiting` : ""}
        {waiting > 0 && heeded > 0 ? ", " : ""}
        {heeded > 0 ? `${heeded} for you to check` : ""}
      </span>
    </Link>
  );
}

async function prepare(key: string): Promise<void> {
  try {
    await navigator.serviceWorker?.register(SERVICE_WORKER, { scope: "/" });
    const response = await fetch("/api/v1/field-pack");
    if (!response.ok) return;
    const { benchPackSchema } = await import("@/contracts/bench-pack");
    const pack = benchPackSchema.parse(await response.json());
    const store = await openStore();
    await store.packs.put({ key, pack, usedAt: clock.now().toISOString() });
    await fetch(pack.floraUrl);
    const { refreshDrillPast } = await import("./drill-past");
    await refreshDrillPast(key);
    const { keepLabelPapers } = await import("./label-papers");
    await keepLabelPapers(key, pack.labels ?? []);
  } catch {
    // Without a signal, or in a window that keeps nothing, what was kept before is what there is.
  }
}
