"use client";
import { Options } from "../ui/options";

import { Button } from "../ui/button";
import { Notice } from "../ui/notice";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { memo, useEffect, useState } from "react";
import type { BenchPack, BenchSite } from "@/contracts/bench-pack";
import type { FindingRequest } from "@/contracts/finding";
import type { Identification, ObservationInput } from "@/core/identify";
import { clock } from "@/wiring/browser";
import { layOut, sendWaiting, standingOf } from "../device/outbox";
import { type Draft, newDraft, type StoredPicture } from "../device/stored";

const PickMap = dynamic(() => import("../map/pick-map").then((m) => m.PickMap), {
  ssr: false,
  loading: () => <p className="small">Opening the map …</p>,
});

interface Props {
  pack: BenchPack;
  draft: Draft;
  site: BenchSite;
  pictures: StoredPicture[];
  /** what is at hand */
  kit: string[];
  /** what was said of the place where the plant stands */
  placeSaid: ObservationInput[];
  /** what the Bench says of these very answers, null while it calculates: kept with the finding and compared with the server's word */
  found: Identification | null;
  onChange: (draft: Draft) => void;
  onAddPictures: (draftId: string, files: File[]) => void;
  onMeasure: (picture: string) => void;
  onRemovePicture: (id: string) => void;
  /** the finding lies in the outbox; this is the new draft */
  onLaidOut: (fresh: Draft) => void;
  /** the finding could not be sent now, and why */
  onWaiting: (why: string) => void;
}

type Sending = { status: "idle" } | { status: "sending" } | { status: "failed"; why: string };

/** Saves what was seen as a finding on a site at a point. It goes by way of the outbox of this device, so that nothing is lost without a signal. */
export const SavePanel = memo(function SavePanel({
  pack,
  draft,
  site,
  pictures,
  kit,
  placeSaid,
  found,
  onChange,
  onAddPictures,
  onMeasure,
  onRemovePicture,
  onLaidOut,
  onWaiting,
}: Props) {
  const router = useRouter();
  const [sending, setSending] = useState<Sending>({ status: "idle" });
  const place = draft.place ?? site.centre;
  const save = async () => {
    if (!found) return;
    setSending({ status: "sending" });
    const ended = await layOutAndSend({ pack, draft, site, kit, placeSaid, found, place, onLaidOut });
    if ("goTo" in ended) return router.push(ended.goTo);
    if ("waits" in ended) onWaiting(ended.waits);
    setSending("failed" in ended ? { status: "failed", why: ended.failed } : { status: "idle" });
  };
  return (
    <section id="save-panel" className="mt-6">
      <h2 className="ruled">
        Save as a finding<span className="small">{site.name}</span>
      </h2>
      <div className="grid sm:grid-cols-2 gap-x-5 gap-y-3 mt-3">
        <PlaceOfFinding {...{ draft, site, onChange }} onNoPosition={(why) => setSending({ status: "failed", why })} />
        <label className="field sm:col-span-2">
          <span className="label">Note</span>
          <textarea
            value={draft.note}
            maxLength={4000}
            onChange={(e) => onChange({ ...draft, note: e.target.value })}
          />
        </label>
        <Pictures {...{ draft, pictures, onAddPictures, onMeasure, onRemovePicture }} />
      </div>
      <PracticeFirst pack={pack} found={found} />
      {pack.maySave ? null : (
        <p className="mt-2">You can look around. To save, you need the role of scout or specialist in this district.</p>
      )}
      <Button
        look="press"
        className="mt-3 w-full sm:w-auto"
        disabled={!pack.maySave || !found || draft.observations.length === 0 || sending.status === "sending"}
        onClick={save}
      >
        {sending.status === "sending" ? "Saving …" : "Save the finding"}
      </Button>
      {draft.observations.length === 0 ? <p className="small mt-1">Answer at least one question first.</p> : null}
      {sending.status === "failed" ? (
        <p role="alert" className="fault mt-2">
          {sending.why}
        </p>
      ) : null}
    </section>
  );
});

/** Said before the finding is made: nothing is refused here, but a specialist confirms it before control is planned. */
function PracticeFirst({ pack, found }: Pick<Props, "pack" | "found">) {
  const set = found?.verdict === "clear" && found.about ? pack.practice?.[found.about] : undefined;
  if (!set) return null;
  return (
    <Notice className="mt-3">
      You have not passed the practice set “{set}”. Save the finding as always. A specialist confirms it before control
      is planned. <a href="/drill">Practice it in Drill.</a>
    </Notice>
  );
}

type Ended = { goTo: string } | { waits: string } | { failed: string };

/** Lays the finding into the outbox of this device, begins the next one, and sends what waits. */
async function layOutAndSend({
  pack,
  draft,
  site,
  kit,
  placeSaid,
  found,
  place,
  onLaidOut,
}: Pick<Props, "pack" | "draft" | "site" | "kit" | "placeSaid" | "onLaidOut"> & {
  found: Identification;
  place: [number, number];
}): Promise<Ended> {
  const body: FindingRequest = {
    id: draft.id,
    siteId: draft.siteId,
    patchId: draft.patchId,
    place: { longitude: place[0], latitude: place[1] },
    day: draft.day,
    stage: draft.stage,
    ...(draft.stages ? { stages: draft.stages } : {}),
    ...(draft.wordless?.length ? { wordless: draft.wordless } : {}),
    kit: kit as FindingRequest["kit"],
    observations: draft.observations,
    note: draft.note,
  };
  const fresh = newDraft(draft.siteId, pack.today, null, placeSaid);
  try {
    await layOut(
      {
        id: draft.id,
        key: pack.key,
        madeAt: clock.now().toISOString(),
        person: pack.person,
        siteName: site.name,
        kind: "finding",
        body,
        field: { verdict: found.verdict, taxon: found.about, because: found.because },
      },
      fresh,
    );
  } catch {
    return {
      failed:
        "This device cannot store anything, perhaps because this is a private window. The finding is not in the outbox. It is still on this page.",
    };
  }
  onLaidOut(fresh);
  const { waits } = await sendWaiting(pack.key);
  // Another window may have sent it meanwhile: what counts is where it stands now.
  const standing = await standingOf(body.id);
  if (standing === null) return { goTo: `/findings/${body.id}` };
  return standing === "waiting" ? { waits: waits ?? "The finding could not be sent." } : { goTo: "/outbox" };
}

/** The patch and the point of the finding. */
function PlaceOfFinding({
  draft,
  site,
  onChange,
  onNoPosition,
}: Pick<Props, "draft" | "site" | "onChange"> & { onNoPosition: (why: string) => void }) {
  const [mapOpen, setMapOpen] = useState(false);
  const place = draft.place ?? site.centre;
  const locate = () =>
    navigator.geolocation?.getCurrentPosition(
      (p) => onChange({ ...draft, place: [p.coords.longitude, p.coords.latitude] }),
      () => onNoPosition("The device did not give a position. Point to the place on the map instead."),
      { enableHighAccuracy: true, timeout: 10000 },
    );
  return (
    <>
      <label className="field">
        <span className="label">Patch it belongs to</span>
        <select value={draft.patchId ?? ""} onChange={(e) => onChange({ ...draft, patchId: e.target.value || null })}>
          <Options none="none yet" choices={site.patches} />
        </select>
      </label>
      <p className="field">
        <span className="label">Place</span>
        <span className="figure">
          {place[1].toFixed(5)}, {place[0].toFixed(5)}
        </span>{" "}
        <span className="small">{draft.place ? "" : "middle of the site"}</span>
      </p>
      <p className="flex flex-wrap gap-2 sm:col-span-2">
        <Button onClick={locate}>My position</Button>
        <Button aria-expanded={mapOpen} onClick={() => setMapOpen(!mapOpen)}>
          {mapOpen ? "Close the map" : "Point on the map"}
        </Button>
      </p>
      {mapOpen ? (
        <div className="sm:col-span-2">
          <PickMap place={place} onPick={(p) => onChange({ ...draft, place: p })} />
        </div>
      ) : null}
    </>
  );
}

const Pictures = ({
  draft,
  pictures,
  onAddPictures,
  onMeasure,
  onRemovePicture,
}: Pick<Props, "draft" | "pictures" | "onAddPictures" | "onMeasure" | "onRemovePicture">) => (
  <div className="sm:col-span-2">
    <label className="button">
      <span>Add pictures</span>
      <input
        type="file"
        accept="image/*"
        multiple
        className="sr-only"
        onChange={(e) => {
          onAddPictures(draft.id, [...(e.target.files ?? [])]);
          e.target.value = "";
        }}
      />
    </label>
    <ul className="flex flex-wrap gap-2 mt-2">
      {pictures.map((p) => (
        <li key={p.id} className="relative">
          <Thumb blob={p.blob} name={p.name} />
          <Button
            className="!min-h-[44px] !px-3 absolute top-[52px] right-0 bg-[var(--sheet)]"
            aria-label={`Remove ${p.name}`}
            onClick={() => onRemovePicture(p.id)}
          >
            ×
          </Button>
          <Button look="plain" className="small block min-h-[44px]" onClick={() => onMeasure(p.id)}>
            {p.marks ? `Measured: ${p.marks.marks.length}` : "Measure"}
          </Button>
        </li>
      ))}
    </ul>
  </div>
);

function Thumb({ blob, name }: { blob: Blob; name: string }) {
  const [url, setUrl] = useState("");
  useEffect(() => {
    const made = URL.createObjectURL(blob);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  // biome-ignore lint/performance/noImgElement: a local blob, which no optimiser can fetch
  return url ? <img src={url} alt={name} className="h-24 w-24 object-cover border border-[var(--line)]" /> : null;
}
