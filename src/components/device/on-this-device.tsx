"use client";
import { Button } from "../ui/button";
import { useEffect, useState } from "react";
import { waitingByPerson } from "./outbox";
import { DRAFT_PREFIX } from "../ui/action-form";
import { follow, openStore } from "./store";

interface Kept {
  drafts: number;
  pictures: number;
  pictureBytes: number;
  waiting: { person: string; n: number }[];
  mixes: number;
  papers: number;
  packs: string[];
}

async function readKept(s: Awaited<ReturnType<typeof openStore>>): Promise<Kept> {
  const [drafts, pictures, outbox, packs, mixes, papers] = await Promise.all([
    s.drafts.toArray(),
    s.pictures.toArray(),
    s.outbox.toArray(),
    s.packs.toArray(),
    s.mixes.count(),
    s.labelPapers.count(),
  ]);
  return {
    drafts:
      drafts.filter((d) => d.draft.observations.length > 0 || d.draft.note !== "").length +
      Object.keys(localStorage).filter((name) => name.startsWith(DRAFT_PREFIX)).length,
    pictures: pictures.length,
    pictureBytes: pictures.reduce((sum, p) => sum + p.blob.size, 0),
    waiting: waitingByPerson(outbox),
    mixes,
    papers,
    packs: packs.map((p) => `${p.pack.district} (${p.pack.person})`),
  };
}

/** What this device keeps, by name, and how to be rid of it. */
export function OnThisDevice() {
  const [kept, setKept] = useState<Kept | null>(null);
  const [asking, setAsking] = useState(false);
  const [wiped, setWiped] = useState(false);
  useEffect(() => follow(readKept, setKept), []);
  if (!kept)
    return (
      <p role="status" className="small">
        Reading this device …
      </p>
    );
  const unsent = kept.waiting.reduce((sum, w) => sum + w.n, 0);
  const wipe = async () => {
    const store = await openStore();
    await Promise.all(store.tables.map((table) => table.clear()));
    for (const name of Object.keys(localStorage)) if (name.startsWith(DRAFT_PREFIX)) localStorage.removeItem(name);
    for (const name of await caches.keys()) await caches.delete(name);
    for (const registration of (await navigator.serviceWorker?.getRegistrations()) ?? [])
      await registration.unregister();
    setAsking(false);
    setWiped(true);
  };
  return (
    <>
      <ul>
        <li className="row py-2">
          <strong>Places, list and costs</strong> of: {kept.packs.length > 0 ? kept.packs.join("; ") : "no district"}.{" "}
          <span className="small">Removed when you sign out.</span>
        </li>
        <li className="row py-2">
          <strong>Unfinished findings and forms:</strong> {kept.drafts}
        </li>
        <li className="row py-2">
          <strong>Findings not sent yet:</strong>{" "}
          {unsent === 0 ? "none" : kept.waiting.map((w) => `${w.n} of ${w.person}`).join(", ")}
        </li>
        <li className="row py-2">
          <strong>Pictures not sent yet:</strong> {kept.pictures}
          {kept.pictures > 0 ? `, ${(kept.pictureBytes / 1e6).toFixed(1)} MB` : ""}
        </li>
        <li className="row py-2">
          <strong>Numbers of the mix screens:</strong> for {kept.mixes} {kept.mixes === 1 ? "plan" : "plans"}
        </li>
        <li className="row py-2">
          <strong>PDFs of labels:</strong> {kept.papers}. <span className="small">Removed when you sign out.</span>
        </li>
        <li className="row py-2">
          <strong>The flora, the engine and the screens</strong>, the same for everybody.
        </li>
      </ul>
      {asking ? (
        <p className="mt-3 flex flex-wrap gap-3 items-center" role="alert">
          {unsent + kept.drafts > 0 ? (
            <strong className="text-[var(--madder)]">
              {unsent} {unsent === 1 ? "finding" : "findings"} not sent and {kept.drafts} unfinished will be lost for
              good.
            </strong>
          ) : (
            "Everything on this device is also on the server. Nothing will be lost."
          )}
          <Button look="press" onClick={wipe}>
            Wipe this device
          </Button>
          <Button look="plain" onClick={() => setAsking(false)}>
            Keep it
          </Button>
        </p>
      ) : (
        <p className="mt-3 flex flex-wrap gap-3 items-center">
          <Button onClick={() => setAsking(true)}>Wipe this device …</Button>
          <span role="status">
            {wiped ? "Wiped. The device fetches what it needs when you next open a page with a signal." : ""}
          </span>
        </p>
      )}
    </>
  );
}
