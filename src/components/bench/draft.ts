"use client";
import Dexie, { type EntityTable } from "dexie";
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

class Shelf extends Dexie {
  drafts!: EntityTable<{ key: string; draft: Draft }, "key">;
  pictures!: EntityTable<StoredPicture, "id">;
  constructor() {
    super("sentinel-bench");
    this.version(1).stores({ drafts: "key", pictures: "id, draftId" });
  }
}

let shelf: Shelf | undefined;
const open = () => {
  shelf ??= new Shelf();
  return shelf;
};

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
      const held = await inTime(open().drafts.get(key), undefined);
      const found = held?.draft ?? start();
      const kept = await inTime(open().pictures.where("draftId").equals(found.id).toArray(), []);
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
      open().drafts.put({ key, draft: next }).catch(() => undefined);
    },
    [key],
  );
  const addPictures = useCallback(async (draftId: string, files: File[]) => {
    const added = files.map((file) => ({ id: uuidv7(), draftId, name: file.name, blob: file as Blob }));
    await open().pictures.bulkPut(added).catch(() => undefined);
    setPictures((old) => [...old, ...added]);
  }, []);
  const removePicture = useCallback(async (id: string) => {
    await open().pictures.delete(id).catch(() => undefined);
    setPictures((old) => old.filter((p) => p.id !== id));
  }, []);
  const finish = useCallback(
    async (fresh: Draft, sentPictures: string[]) => {
      await open().pictures.bulkDelete(sentPictures).catch(() => undefined);
      setPictures([]);
      change(fresh);
    },
    [change],
  );
  return { draft, pictures, change, addPictures, removePicture, finish };
}
