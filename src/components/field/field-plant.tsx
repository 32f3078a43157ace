"use client";

import { itemAt, firstOf } from "@/core/items";
import { type Stage, STAGES } from "@/core/flora";
import { describeScore, type Model, plainName, recordingOf, twinsOf, usuallySeen, usualState } from "@/core/identify";
import { plateOf } from "@/drawings/plate/plate";
import { typicalFigure } from "@/drawings/figure/figure";
import { Drawing } from "@/drawings/ink/render";
import { drawState } from "@/drawings/states/draw-state";
import type { BenchPack } from "@/contracts/bench-pack";
import { STAGE_WORDS } from "../words/stages";
import { ControlFacts } from "../flora/control-facts";
import { Plate } from "../flora/plate";
import { UnscoredName } from "../flora/unscored-name";
import { statusHere, StatusMark } from "../verdict/marks";

/** One plant from the device: its plate, what it is mistaken for, its dangers and what it shows. */
export function FieldPlant({
  model,
  pack,
  id,
  asked,
}: {
  model: Model;
  pack: BenchPack;
  id: string;
  asked: string | null;
}) {
  const { taxa, pairs, characters } = model.flora;
  const t = taxa.findIndex((x) => x.id === id);
  const taxon = itemAt(taxa, t);
  const status = pack.status[taxon.name] ?? "kept";
  const shown = STAGES.filter((s) => taxon.calendar[s]);
  const stage: Stage = shown.find((s) => s === asked) ?? (shown.includes("flowering") ? "flowering" : firstOf(shown));
  const hazards = [taxon.hazards.people, taxon.hazards.stock, taxon.hazards.handling].filter(Boolean);
  const taken = pairs.filter((p) => !p.found && (p.a === id || p.b === id));
  const seen = characters
    .flatMap((c, i) =>
      recordingOf(model, t, i) === "recorded" && usuallySeen(model, t, i, stage)
        ? [{ c, words: describeScore({ model }, t, i, stage, 3), state: usualState(model, t, c.id, stage) }]
        : [],
    )
    .filter((row) => row.words);
  return (
    <div className="px-4 md:px-6 py-5">
      <h1>
        {plainName({ model }, t)} <span className="latin font-normal text-[21px]">{taxon.name}</span>
      </h1>
      <p className="flex items-center gap-2 mt-1">
        <StatusMark status={status} /> {statusHere(status)} · {taxon.family} · {taxon.cycle} {taxon.lifeForm}
      </p>
      <p className="small">{[...taxon.common.slice(1), ...taxon.synonyms].join(", ")}</p>
      {hazards.length > 0 ? (
        <ul className="mt-3 border-l-4 border-[var(--madder)] pl-3">
          {hazards.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
      ) : null}
      <nav aria-label="Stage" className="flex flex-wrap gap-2 mt-5">
        {shown.map((s) => (
          <a
            key={s}
            href={`/flora/${id}?stage=${s}`}
            aria-current={s === stage ? "page" : undefined}
            className={`button pill ${s === stage ? "press" : ""}`}
          >
            {STAGE_WORDS[s]}
          </a>
        ))}
      </nav>
      <Plate figure={typicalFigure(model, t, stage)} panels={plateOf(model, t, stage)} name={plainName({ model }, t)} />
      <div className="grid lg:grid-cols-2 gap-x-10">
        <section>
          <h2 className="ruled mt-6">Twins now</h2>
          <ul>
            {twinsOf(model, t, stage, 8).map((twin) => {
              const other = itemAt(taxa, twin.taxon);
              return (
                <li key={other.id} className="row">
                  <a
                    href={`/twins?t=${id}&t=${other.id}&stage=${stage}`}
                    className="no-underline flex gap-2 items-center min-h-[44px]"
                  >
                    <StatusMark status={pack.status[other.name] ?? "kept"} size={16} />
                    <span className="font-semibold">{plainName({ model }, twin.taxon)}</span>
                    <span className="figure small ml-auto">{Math.round(100 * twin.likeness)}%</span>
                  </a>
                </li>
              );
            })}
          </ul>
        </section>
        <section>
          <h2 className="ruled mt-6">Mistaken for</h2>
          <ul>
            {taken.map((p) => {
              const other = p.a === id ? p.b : p.a;
              const o = taxa.findIndex((x) => x.id === other);
              return (
                <li key={other} className="row py-2">
                  {o < 0 ? (
                    <UnscoredName pair={p} />
                  ) : (
                    <a href={`/flora/${other}`} className="font-semibold">
                      {plainName({ model }, o)}
                    </a>
                  )}
                  <br />
                  <span className="small">{p.mistake}</span>
                </li>
              );
            })}
          </ul>
        </section>
      </div>
      <h2 className="ruled mt-6">What it shows, {STAGE_WORDS[stage].toLowerCase()}</h2>
      <ul className="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-6">
        {seen.map(({ c, words, state }) => {
          const shapes = state ? drawState(c.id, state) : null;
          return (
            <li key={c.id} className="row flex gap-3 items-center py-1.5">
              {shapes ? (
                <span className="flex-none w-[60px] h-[48px] drawing-ground border border-[var(--rule)]">
                  <Drawing shapes={shapes} className="w-full h-full" />
                </span>
              ) : null}
              <span>
                <span className="small">{c.name}</span>
                <br />
                {words}
              </span>
            </li>
          );
        })}
      </ul>
      <div className="max-w-[560px]">
        <ControlFacts taxon={taxon} here={pack.climate} />
      </div>
    </div>
  );
}
