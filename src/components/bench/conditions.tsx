import { Options } from "../ui/options";
import { Disclosure } from "../ui/disclosure";
import { DayInput } from "../ui/day-field";
import type { BenchPack } from "@/contracts/bench-pack";
import { STAGES, type Stage } from "@/core/flora";
import type { Draft } from "../device/stored";
import { STAGE_WORDS } from "../words/stages";
import type { Towards } from "./use-bench";

const KIT = ["lens", "ruler", "knife", "trowel", "gloves"] as const;
const LENSES: [string, string][] = [
  ["", "Whatever tells the plants apart best"],
  ["collar", "Collar"],
  ["touch", "Touch"],
  ["distance", "Distance"],
  ["dig", "Dig"],
  ["bark", "Bark in winter"],
];

export interface ConditionsProps {
  pack: BenchPack;
  draft: Draft;
  onDraft: (draft: Draft) => void;
  onStage: (stage: Stage | null) => void;
  lens: string;
  setLens: (lens: string) => void;
  towards: Towards;
  setTowards: (towards: Towards) => void;
  kit: string[];
  setKit: (kit: string[]) => void;
}

/** Where, when and with what the plant is looked at, and what the questions are for. */

export function Conditions({
  pack,
  draft,
  onDraft,
  onStage,
  lens,
  setLens,
  towards,
  setTowards,
  kit,
  setKit,
}: ConditionsProps) {
  return (
    <>
      <label className="field min-w-[170px]">
        <span className="label">Place</span>
        <select
          value={draft.siteId}
          onChange={(e) => onDraft({ ...draft, siteId: e.target.value, patchId: null, place: null, placeBefore: [] })}
        >
          <Options choices={pack.sites} />
        </select>
      </label>
      <label className="field">
        <span className="label">Day</span>
        <DayInput
          label="day of the finding"
          value={draft.day}
          max={pack.today}
          onChange={(day) => onDraft({ ...draft, day })}
        />
      </label>
      <label className="field min-w-[130px]">
        <span className="label">Stage seen</span>
        <select value={draft.stage ?? ""} onChange={(e) => onStage(stageOf(e.target.value))}>
          <option value="">not said</option>
          {Object.entries(STAGE_WORDS).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="field">
        <span className="label">Towards</span>
        <select value={towards} onChange={(e) => setTowards(towardsOf(e.target.value))}>
          <option value="action">an action</option>
          <option value="name">a name</option>
          <option value="doubt">testing a name I have in mind</option>
        </select>
      </label>
      <label className="field">
        <span className="label">Lens</span>
        <select value={lens} onChange={(e) => setLens(e.target.value)}>
          {LENSES.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Disclosure
        className="relative"
        summary={<>Kit: {kit.length === KIT.length ? "all" : kit.length === 0 ? "none" : kit.join(", ")}</>}
        look="small"
      >
        <div className="absolute z-40 right-0 bg-[var(--sheet)] border-2 border-[var(--ink)] p-3 w-40">
          {KIT.map((item) => (
            <label key={item} className="tick">
              <input
                type="checkbox"
                checked={kit.includes(item)}
                onChange={(e) => setKit(e.target.checked ? [...kit, item] : kit.filter((k) => k !== item))}
              />
              {item}
            </label>
          ))}
        </div>
      </Disclosure>
    </>
  );
}

const stageOf = (value: string): Stage | null => STAGES.find((s) => s === value) ?? null;
const towardsOf = (value: string): Towards => (value === "name" || value === "doubt" ? value : "action");
