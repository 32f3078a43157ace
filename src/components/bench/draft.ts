"use client";
import type { Dexie, EntityTable } from "dexie";
import { useCallback, useEffect, useRef, useState } from "react";
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

const PATIENCE_MS = 10_000;

/** The device's own store may be closed to us (private windows) or stuck: the Bench opens without it rather than not at all. */
function inTime<T>(work: PromiseLike<T>, otherwise: T): Promise<T> {
  const late = new Promise<T>((resolve) => setTimeout(() => resolve(otherwise), PATIENCE_MS));
  return Promise.race([Promise.resolve(work).catch(() => otherwise), late]);
}

const untouched = (draft: Draft): boolean => !draft.stageAsked && draft.observations.length === 0 && draft.note === "" && !draft.place;

export const newDraft = (siteId: string, day: string, patchId: string | null = null): Draft => ({ id: uuidv7(), siteId, patchId, place: null, day, stage: null, stageAsked: false, observations: [], note: "" });

const picturesOf = (draft: Draft): Promise<StoredPicture[]> => open().then((s) => s.pictures.where("draftId").equals(draft.id).toArray());

/** @param key whose draft: district and person, so that a shared device keeps them apart */
export function useDraft(key: string, start: () => Draft) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [pictures, setPictures] = useState<StoredPicture[]>([]);
  const [earlier, setEarlier] = useState<Draft | null>(null);
  const shown = useRef<Draft | null>(null);
  shown.current = draft;
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, on opening
  useEffect(() => {
    let current = true;
    const show = async (found: Draft) => {
      const kept = await inTime(picturesOf(found), []);
      if (!current) return;
      setDraft(found);
      setPictures(kept);
    };
    (async () => {
      const reading = open().then((s) => s.drafts.get(key));
      const held = await inTime(reading, undefined);
      await show(held?.draft ?? start());
      // A store that answered too late may still hold a finding: it takes the empty one's place, or is offered beside what was begun meanwhile.
      const late = held ? undefined : (await reading.catch(() => undefined))?.draft;
      if (!current || !late || late.id === shown.current?.id) return;
      if (!shown.current || untouched(shown.current)) await show(late);
      else setEarlier(late);
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
  const takeUpEarlier = useCallback(async () => {
    if (!earlier) return;
    const begun = shown.current;
    setPictures(await inTime(picturesOf(earlier), []));
    change(earlier);
    setEarlier(begun);
  }, [earlier, change]);
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
  return { draft, earlier, takeUpEarlier, pictures, change, addPictures, removePicture, finish };
}
