"use client";
import type { Dexie, EntityTable } from "dexie";
import { useCallback, useEffect, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import type { ObservationInput, Stage } from "@/core/identify";

/** A finding in the making. It lives on the device until the server has it: reload, a dead tab or no signal lose nothing. */
export interface Draft {
  id: string;
  siteId: string;
  patchId: string | null;
  place: [number, number] | null;
  day: string;
  stage: Stage | null;
  stageAsked: boolean;
  observations: ObservationInput[];
  note: string;
}

interface StoredPicture {
  id: string;
  draftId: string;
  name: string;
  blob: Blob;
}

type Shelf = Dexie & { drafts: EntityTable<{ key: string; draft: Draft }, "key">; pictures: EntityTable<StoredPicture, "id"> };

let shelf: Promise<Shelf> | undefined;
/** Opened on first use; the library comes after the first paint. */
function open(): Promise<Shelf> {
  shelf ??= import("dexie").then(({ Dexie: Store }) => {
    const made = new Store("sentinel-bench") as Shelf;
    made.version(1).stores({ drafts: "key", pictures: "id, draftId" });
    return made;
  });
  return shelf;
}

/** The device's own store may be closed to us (private windows) or stuck: the Bench opens without it rather than not at all. */
function inTime<T>(work: PromiseLike<T>, otherwise: T): Promise<T> {
  const late = new Promise<T>((resolve) => setTimeout(() => resolve(otherwise), 3000));
  return Promise.race([Promise.resolve(work).catch(() => otherwise), late]);
}

export const newDraft = (siteId: string, day: string, patchId: string | null = null): Draft => ({ id: uuidv7(), siteId, patchId, place: null, day, stage: null, stageAsked: false, observations: [], note: "" });

/** @param key whose draft: district and person, so that a shared device keeps them apart */
export function useDraft(key: string, start: () => Draft) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [pictures, setPictures] = useState<StoredPicture[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, on opening
  useEffect(() => {
    let current = true;
    (async () => {
      const held = await inTime(open().then((s) => s.drafts.get(key)), undefined);
      const found = held?.draft ?? start();
      const kept = await inTime(open().then((s) => s.pictures.where("draftId").equals(found.id).toArray()), []);
      if (!current) return;
      setDraft(found);
      setPictures(kept);
    })();
    return () => {
      current = false;
    };
  }, [key]);
  const change = useCallback(
    (next: Draft) => {
      setDraft(next);
      open().then((s) => s.drafts.put({ key, draft: next })).catch(() => undefined);
    },
    [key],
  );
  const addPictures = useCallback(async (draftId: string, files: File[]) => {
    const added = files.map((file) => ({ id: uuidv7(), draftId, name: file.name, blob: file as Blob }));
    await open().then((s) => s.pictures.bulkPut(added)).catch(() => undefined);
    setPictures((old) => [...old, ...added]);
  }, []);
  const removePicture = useCallback(async (id: string) => {
    await open().then((s) => s.pictures.delete(id)).catch(() => undefined);
    setPictures((old) => old.filter((p) => p.id !== id));
  }, []);
  const finish = useCallback(
    async (fresh: Draft, sentPictures: string[]) => {
      await open().then((s) => s.pictures.bulkDelete(sentPictures)).catch(() => undefined);
      setPictures([]);
      change(fresh);
    },
    [change],
  );
  return { draft, pictures, change, addPictures, removePicture, finish };
}
