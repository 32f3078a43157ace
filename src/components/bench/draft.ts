"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import type { Marks } from "@/core/measure";
import { openStore as open } from "../device/store";
import type { Draft, StoredPicture } from "../device/stored";

const PATIENCE_MS = 10_000;

/** The device's own store may be closed to us (private windows) or stuck: the Bench opens without it rather than not at all. */
function inTime<T>(work: PromiseLike<T>, otherwise: T): Promise<T> {
  const late = new Promise<T>((resolve) => setTimeout(() => resolve(otherwise), PATIENCE_MS));
  return Promise.race([Promise.resolve(work).catch(() => otherwise), late]);
}

const untouched = (draft: Draft): boolean =>
  !draft.stageAsked && draft.observations.length === 0 && draft.note === "" && !draft.place;

const picturesOf = (draft: Draft): Promise<StoredPicture[]> =>
  open().then((s) => s.pictures.where("draftId").equals(draft.id).toArray());

/** The pictures of the draft, on the screen and on the device. */
function usePictures() {
  const [pictures, setPictures] = useState<StoredPicture[]>([]);
  const addPictures = useCallback(async (draftId: string, files: File[], drawn = false) => {
    const added: StoredPicture[] = files.map((file) => ({
      id: uuidv7(),
      draftId,
      name: file.name,
      blob: file as Blob,
      ...(drawn ? { drawn } : {}),
    }));
    await open()
      .then((s) => s.pictures.bulkPut(added))
      .catch(() => undefined);
    setPictures((old) => [...old, ...added]);
    return added;
  }, []);
  /** Keeps what was measured on a picture with it. */
  const keepMarks = useCallback(async (id: string, marks: Marks) => {
    const marksId = uuidv7();
    await open()
      .then((s) => s.pictures.update(id, { marks, marksId }))
      .catch(() => undefined);
    setPictures((old) => old.map((p) => (p.id === id ? { ...p, marks, marksId } : p)));
  }, []);
  const removePicture = useCallback(async (id: string) => {
    await open()
      .then((s) => s.pictures.delete(id))
      .catch(() => undefined);
    setPictures((old) => old.filter((p) => p.id !== id));
  }, []);
  return { pictures, setPictures, addPictures, keepMarks, removePicture };
}

/** @param key whose draft: district and person, so that a shared device keeps them apart */
export function useDraft(key: string, start: () => Draft) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const { pictures, setPictures, ...picturing } = usePictures();
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
      open()
        .then((s) => s.drafts.put({ key, draft: next }))
        .catch(() => undefined);
    },
    [key],
  );
  const takeUpEarlier = useCallback(async () => {
    if (!earlier) return;
    const begun = shown.current;
    setPictures(await inTime(picturesOf(earlier), []));
    change(earlier);
    setEarlier(begun);
  }, [earlier, change, setPictures]);
  /** After a finding was laid into the outbox: the new draft is stored already, and the pictures went with the finding. */
  const begin = useCallback(
    (fresh: Draft) => {
      setPictures([]);
      setDraft(fresh);
    },
    [setPictures],
  );
  return { draft, earlier, takeUpEarlier, pictures, change, ...picturing, begin };
}
