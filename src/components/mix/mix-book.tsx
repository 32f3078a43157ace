"use client";
import { useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import { Segmented } from "../ui/segmented";
import { Calibrate } from "./calibrate";
import { Jug } from "./jug";
import { SYSTEMS, type System } from "./mix-units";
import { Stems } from "./stems";
import { Tank } from "./tank";
import { useMix } from "./use-mix";

const SCREENS = [
  { value: "calibrate", words: "Calibrate" },
  { value: "tank", words: "Tank" },
  { value: "stems", words: "Stems" },
  { value: "jug", words: "Jug" },
] as const;
type Screen = (typeof SCREENS)[number]["value"];
const SYSTEM_WORDS: Record<System, string> = { metric: "metric", us: "US", imperial: "imperial" };

/** The arithmetic of the tailgate. Everything is worked out on the device, and kept there for the person and the plan. */
export function MixBook({
  pack,
  planId,
}: {
  pack: Pick<BenchPack, "key" | "units" | "work" | "labels">;
  planId: string;
}) {
  const work = pack.work?.find((one) => one.planId === planId);
  const given: Record<string, number> = work ? { area: work.areaM2 } : {};
  const mix = useMix(pack.key, planId, pack.units ?? "us", given);
  const [screen, setScreen] = useState<Screen>("calibrate");
  return (
    <div className="px-4 md:px-6 py-4 max-w-[860px]">
      <h1>Mix</h1>
      <p className="text-[var(--soft)]">
        {work ? `${work.title}, ${work.patch}.` : "For no plan."} The numbers stay on this device.
      </p>
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
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
        {screen === "tank" ? <Tank mix={mix} labels={pack.labels ?? []} /> : null}
        {screen === "stems" ? <Stems mix={mix} /> : null}
        {screen === "jug" ? <Jug mix={mix} /> : null}
      </div>
    </div>
  );
}
