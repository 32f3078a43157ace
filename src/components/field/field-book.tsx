"use client";

import { Button } from "../ui/button";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import { Bench } from "../bench/bench";
import { DeviceKeeper } from "../device/keeper";
import { OnThisDevice } from "../device/on-this-device";
import { OutboxPanel } from "../device/outbox-panel";
import { useModel, usePack } from "./use-device";

const FieldFlora = dynamic(() => import("./field-flora").then((m) => m.FieldFlora), { ssr: false });
const FieldPlant = dynamic(() => import("./field-plant").then((m) => m.FieldPlant), { ssr: false });
const MixBook = dynamic(() => import("../mix/mix-book").then((m) => m.MixBook), { ssr: false });
const DrillBook = dynamic(() => import("../drill/drill-book").then((m) => m.DrillBook), { ssr: false });
const FieldTwins = dynamic(() => import("./field-twins").then((m) => m.FieldTwins), { ssr: false });

const TABS = [
  { href: "/bench", name: "Bench" },
  { href: "/flora", name: "Flora" },
  { href: "/mix", name: "Mix" },
  { href: "/drill", name: "Drill" },
  { href: "/outbox", name: "Outbox" },
];

/** The notebook without a signal: what the device holds, shown by the address that was asked for. */
export function FieldBook() {
  const pack = usePack();
  const [at, setAt] = useState<URL | null>(null);
  const back = useSignalBack();
  useEffect(() => setAt(new URL(location.href)), []);
  if (!at || pack === undefined)
    return (
      <p className="p-6" role="status">
        Opening what is stored on this device …
      </p>
    );
  return (
    <div className="min-h-dvh bg-[var(--sheet)]">
      <header className="no-print flex items-center gap-x-4 flex-wrap px-4 md:px-6 border-b border-[var(--line)] bg-[var(--paper)]">
        <span className="slab text-[18px] py-2">Merry Sentinel</span>
        <nav aria-label="Notebook" className="flex">
          {TABS.map((tab) => (
            <a
              key={tab.href}
              href={tab.href}
              aria-current={at.pathname.startsWith(tab.href) ? "page" : undefined}
              className={`px-3 min-h-[46px] flex items-center ${at.pathname.startsWith(tab.href) ? "font-bold underline" : ""}`}
            >
              {tab.name}
            </a>
          ))}
        </nav>
        {pack ? <DeviceKeeper deviceKey={pack.key} /> : null}
      </header>
      <p
        className="no-print px-4 md:px-6 py-2 border-b border-[var(--rule)] flex flex-wrap gap-x-4 gap-y-1 items-center"
        role="status"
      >
        <span>
          <strong>{back ? "The signal is back." : "No signal."}</strong>{" "}
          {pack ? `This device has stored ${pack.district} for ${pack.person}.` : "Nobody is signed in on this device."}
        </span>
        <Button look="plain" className="min-h-[44px]" onClick={() => location.reload()}>
          {back ? "Open the whole notebook" : "Try the network again"}
        </Button>
      </p>
      <main id="sheet">{pack ? <Sheet at={at} pack={pack} /> : <Nobody />}</main>
    </div>
  );
}

/** Whether the device has said, since this was opened without a signal, that it has one again. */
function useSignalBack(): boolean {
  const [back, setBack] = useState(false);
  useEffect(() => {
    const on = () => setBack(true);
    const off = () => setBack(false);
    window.addEventListener("online", on);
    window.addEventListener("offline", off);
    return () => {
      window.removeEventListener("online", on);
      window.removeEventListener("offline", off);
    };
  }, []);
  return back;
}

function Sheet({ at, pack }: { at: URL; pack: BenchPack }) {
  const path = at.pathname;
  if (path.startsWith("/bench"))
    return <Bench pack={pack} chosenSite={at.searchParams.get("site")} chosenPatch={at.searchParams.get("patch")} />;
  if (path.startsWith("/mix")) return <MixBook pack={pack} planId={at.searchParams.get("plan") ?? ""} />;
  if (path.startsWith("/drill")) return <DrillBook pack={pack} asked={at.searchParams.getAll("t")} teaches={false} />;
  return <FloraSheet at={at} pack={pack} />;
}

/** The screens that read the flora itself. */
function FloraSheet({ at, pack }: { at: URL; pack: BenchPack }) {
  const { model, fault } = useModel(pack.floraUrl);
  if (fault)
    return (
      <p className="p-6 fault" role="alert">
        The flora could not be opened: {fault}.
      </p>
    );
  if (!model)
    return (
      <p className="p-6" role="status">
        Opening the flora …
      </p>
    );
  const path = at.pathname;
  if (path.startsWith("/outbox"))
    return (
      <div className="px-4 md:px-6 py-5 max-w-[820px]">
        <h1>Outbox of this device</h1>
        <OutboxPanel
          deviceKey={pack.key}
          nameOf={Object.fromEntries(model.flora.taxa.map((t) => [t.name, t.common[0] ?? t.name]))}
        />
      </div>
    );
  if (path.startsWith("/twins"))
    return (
      <FieldTwins
        model={model}
        pack={pack}
        ids={at.searchParams.getAll("t").slice(0, 4)}
        asked={at.searchParams.get("stage")}
      />
    );
  const plant = /^\/flora\/([a-z0-9-]+)$/.exec(path)?.[1];
  if (plant && model.flora.taxa.some((t) => t.id === plant))
    return <FieldPlant model={model} pack={pack} id={plant} asked={at.searchParams.get("stage")} />;
  if (path.startsWith("/flora")) return <FieldFlora model={model} pack={pack} />;
  return (
    <div className="px-4 md:px-6 py-5 max-w-[700px]">
      <h1>This page needs a signal</h1>
      <p className="mt-2">
        The map, plans, ledger and people pages come from the server. Without a signal you can use the{" "}
        <a href="/bench">Bench</a>, the <a href="/flora">Flora</a> with its twins, the <a href="/mix">Mix</a>, the{" "}
        <a href="/drill">Drill</a>, and the <a href="/outbox">Outbox</a>, where findings and answers wait for a signal.
      </p>
      <h2 className="ruled mt-6">On this device</h2>
      <OnThisDevice />
    </div>
  );
}

function Nobody() {
  return (
    <div className="px-4 md:px-6 py-5 max-w-[700px]">
      <h1>Sign in once with a signal</h1>
      <p className="mt-2">
        After that, the Bench, the Flora and the Twins work on this device without a signal. Findings that were not sent
        wait for the person who made them.
      </p>
      <h2 className="ruled mt-6">On this device</h2>
      <OnThisDevice />
    </div>
  );
}
