"use client";

import { itemAt } from "@/core/items";
import { STAGES } from "@/core/flora";
import { decidingChecks, describeScore, type Model, plainName } from "@/core/identify";
import type { BenchPack } from "@/contracts/bench-pack";
import { STAGE_WORDS } from "../words/stages";
import { FigureRow } from "../flora/figure-row";
import { TwinLook } from "../flora/twin-look";
import { STATUS_WORDS, StatusMark } from "../verdict/marks";

const MOST_ROWS = 10;

/** Two to four plants side by side, from the device: what tells them apart at a stage, best first. */
export function FieldTwins({
  model,
  pack,
  ids,
  asked,
}: {
  model: Model;
  pack: BenchPack;
  ids: string[];
  asked: string | null;
}) {
  const plants = ids.map((id) => model.flora.taxa.findIndex((t) => t.id === id)).filter((t) => t >= 0);
  const stages = STAGES.filter((s) => plants.every((t) => itemAt(model.flora.taxa, t).calendar[s]));
  const stage = stages.find((s) => s === asked) ?? (stages.includes("flowering") ? "flowering" : stages[0]);
  if (plants.length < 2 || !stage)
    return (
      <div className="px-4 md:px-6 py-5">
        <h1>Twins</h1>
        <p className="mt-2">
          Open a plant in the <a href="/flora">flora</a> and follow its look-alikes.
        </p>
      </div>
    );
  const href = (s: string) => `/twins?${ids.map((id) => `t=${id}`).join("&")}&stage=${s}`;
  return (
    <div className="px-4 md:px-6 py-5">
      <h1>{plants.map((t) => plainName({ model }, t)).join(" or ")}</h1>
      <nav aria-label="Stage" className="flex flex-wrap gap-2 mt-3">
        {stages.map((s) => (
          <a
            key={s}
            href={href(s)}
            aria-current={s === stage ? "page" : undefined}
            className={`button pill ${s === stage ? "press" : ""}`}
          >
            {STAGE_WORDS[s]}
          </a>
        ))}
      </nav>
      <p className="mt-2">
        <a className="tap" href={`/drill?${ids.map((id) => `t=${id}`).join("&")}`}>
          Practice telling them apart
        </a>
      </p>
      <FigureRow
        model={model}
        plants={plants.map((index) => ({ index, common: plainName({ model }, index) }))}
        stage={stage}
      />
      <div className="overflow-x-auto">
        <table className="w-full mt-4 text-left" aria-label="What tells them apart, best first">
          <thead>
            <tr>
              <th scope="col" className="small font-normal w-[26%]">
                What to check
              </th>
              {plants.map((t) => {
                const { id, name } = itemAt(model.flora.taxa, t);
                const status = pack.status[name] ?? "kept";
                return (
                  <th key={id} scope="col" className="pb-2">
                    <span className="flex gap-2 items-center">
                      <StatusMark status={status} size={16} />
                      <a href={`/flora/${id}`}>{plainName({ model }, t)}</a>
                    </span>
                    <span className="small font-normal">{STATUS_WORDS[status]}</span>
                  </th>
                );
              })}
            </tr>
          </thead>
          <tbody>
            {decidingChecks(model, plants, stage)
              .slice(0, MOST_ROWS)
              .map(({ character: c, seconds, apart }) => {
                const { id, name, ask } = itemAt(model.flora.characters, c);
                return (
                  <tr key={id} className="row align-top">
                    <th scope="row" className="font-normal py-2 pr-3">
                      <span className="font-bold">{name}</span>
                      <br />
                      <span className="small">
                        {ask} {seconds} s
                      </span>
                    </th>
                    {plants.map((t, k) => (
                      <TwinLook
                        key={t}
                        model={model}
                        taxon={t}
                        character={id}
                        stage={stage}
                        words={describeScore({ model }, t, c, stage)}
                        apart={itemAt(apart, k)}
                      />
                    ))}
                  </tr>
                );
              })}
          </tbody>
        </table>
      </div>
    </div>
  );
}
