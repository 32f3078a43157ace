import type { Dexie, EntityTable } from "dexie";
import type { DrillPack } from "@/contracts/drill";
import type { BenchPack } from "@/contracts/bench-pack";
import type { Draft, OutboxItem, StoredPicture } from "./stored";

/** What this device keeps. Everything goes by `key`, district and person, so that a shared device keeps them apart. */
export type DeviceStore = Dexie & {
  drafts: EntityTable<{ key: string; draft: Draft }, "key">;
  pictures: EntityTable<StoredPicture, "id">;
  outbox: EntityTable<OutboxItem, "id">;
  packs: EntityTable<{ key: string; pack: BenchPack; usedAt: string }, "key">;
  /** numbers of the mix screens, by person and plan */
  mixes: EntityTable<
    { id: string; key: string; entry: { system: "metric" | "us" | "imperial"; typed: Record<string, string> } },
    "id"
  >;
  /** the PDFs of labels, to be read at the truck */
  labelPapers: EntityTable<{ id: string; key: string; content: Blob }, "id">;
  /** a person's past in practice, and the sets of the district */
  drills: EntityTable<{ key: string; pack: DrillPack }, "key">;
};

let store: Promise<DeviceStore> | undefined;
/** Opened on first use; the library comes after the first paint. */
export function openStore(): Promise<DeviceStore> {
  store ??= import("dexie").then(({ Dexie: Store }) => {
    const made = new Store("sentinel-bench") as DeviceStore;
    made.version(1).stores({ drafts: "key", pictures: "id, draftId" });
    made.version(2).stores({ drafts: "key", pictures: "id, draftId", outbox: "id, key, order", packs: "key, usedAt" });
    made.version(3).stores({
      ...{ drafts: "key", pictures: "id, draftId", outbox: "id, key, order", packs: "key, usedAt" },
      mixes: "id, key",
    });
    made.version(4).stores({ labelPapers: "id, key", drills: "key" });
    return made;
  });
  return store;
}

/** Follows a query of the store for as long as the returned function is not called. */
export function follow<T>(query: (s: DeviceStore) => Promise<T>, show: (found: T) => void): () => void {
  let ended = false;
  let stop: (() => void) | undefined;
  Promise.all([openStore(), import("dexie")])
    .then(([s, { liveQuery }]) => {
      if (ended) return;
      const subscription = liveQuery(() => query(s)).subscribe({ next: show, error: () => undefined });
      stop = () => subscription.unsubscribe();
    })
    .catch(() => undefined);
  return () => {
    ended = true;
    stop?.();
  };
}
