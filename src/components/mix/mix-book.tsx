"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import { weatherOf } from "@/wiring/browser";
import { Segmented } from "../ui/segmented";
import { Calibrate } from "./calibrate";
import type { Station } from "./hours";
import { Jug } from "./jug";
import { SYSTEMS, type System } from "./mix-units";
import { Spot } from "./spot";
import { Stems } from "./stems";
import { Tank } from "./tank";
import { useMix } from "./use-mix";
import { Work } from "./work";

const SCREENS = [
  { value: "calibrate", words: "Calibrate" },
  { value: "tank", words: "Tank" },
  { value: "spot", words: "Spots" },
  { value: "stems", words: "Stems" },
  { value: "jug", words: "Jug" },
  { value: "work", words: "Work" },
  { value: "hours", words: "Spray hours" },
] as const;
type Screen = (typeof SCREENS)[number]["value"];
/** The screen of hours brings a reader of tables and the sun's path: it is loaded when it is opened. */
const Hours = dynamic(() => import("./hours").then((m) => m.Hours), { ssr: false });

export type MixPack = Pick<
  BenchPack,
  "key" | "units" | "work" | "labels" | "sites" | "today" | "zone" | "demonstration"
>;

/** Where and when the hours are: the site of the plan, else the district's first, and its clock. */
function stationOf({ sites, today, zone, demonstration }: MixPack, siteId: string | undefined): Station {
  const noon = new Date(`${today}T12:00:00Z`);
  const local = new Date(noon.toLocaleString("en-US", { timeZone: zone ?? "UTC" }));
  const meridian = new Date(noon.toLocaleString("en-US", { timeZone: "UTC" }));
  return {
    place: (sites.find(({ id }) => id === siteId) ?? sites[0])?.centre ?? null,
    aheadHours: (local.getTime() - meridian.getTime()) / 3600_000,
    today,
    weather: weatherOf(demonstration),
  };
}

const SYSTEM_WORDS: Record<System, string> = { metric: "metric", us: "US", imperial: "imperial" };

/** The arithmetic of the tailgate. Everything is worked out on the device, and kept there for the person and the plan. */
export function MixBook({ pack, planId }: { pack: MixPack; planId: string }) {
  const work = pack.work?.find((one) => one.planId === planId);
  const given: Record<string, number> = work ? { area: work.areaM2 } : {};
  const mix = useMix(pack.key, planId, pack.units ?? "us", given);
  const [screen, setScreen] = useState<Screen>(work?.product === false ? "work" : "calibrate");
  return (
    <div className="px-4 md:px-6 py-4 max-w-[860px] tailgate">
      <h1>Mix</h1>
      <p className="text-[var(--soft)]">
        {work ? `${work.title}, ${work.patch}.` : "For no plan."}{" "}
        <span className="no-print">The numbers stay on this device.</span>
      </p>
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-2 no-print">
        <Segmented label="Screen" value={screen} onChange={setScreen} options={[...SCREENS]} />
        <Segmented
          label="Units"
          value={mix.system}
          onChange={mix.choose}
          options={SYSTEMS.map((value) => ({ value, words: SYSTEM_WORDS[value] }))}
        />
      </div>
      <div className="mt-5" data-ready={mix.ready ? "yes" : undefined}>
        {screen === "calibrate" ? <Calibrate mix={mix} onDone={() => setScreen("tank")} /> : null}
        {screen === "tank" ? <Tank mix={mix} labels={pack.labels ?? []} deviceKey={pack.key} use={work?.use} /> : null}
        {screen === "spot" ? <Spot mix={mix} labels={pack.labels ?? []} use={work?.use} /> : null}
        {screen === "work" ? <Work mix={mix} /> : null}
        {screen === "stems" ? <Stems mix={mix} labels={pack.labels ?? []} use={work?.use} /> : null}
        {screen === "jug" ? <Jug mix={mix} /> : null}
        {screen === "hours" && mix.ready ? (
          <Hours mix={mix} labels={pack.labels ?? []} station={stationOf(pack, work?.siteId)} />
        ) : null}
      </div>
    </div>
  );
}
