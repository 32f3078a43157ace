"use client";

import { Button } from "../ui/button";
import type { Remote } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Stage } from "@/core/flora";
import type { Month } from "@/core/identify";
import { TapePiece } from "../verdict/marks";
import type { BenchCase, Engine } from "./engine";
import { STAGE_WORDS } from "../words/stages";

const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/** What could have been told of a plant in each month, by someone who looks where the Bench points. Calculated month by month, on asking. */
export function SeasonReplay({
  taxon,
  name,
  place,
  input,
  engine,
  nameOf,
}: {
  taxon: string;
  name: string;
  place: string;
  input: BenchCase;
  engine: () => Remote<Engine> | null;
  nameOf: (character: string) => string;
}) {
  const [months, setMonths] = useState<Month[] | null>(null);
  const run = useRef(0);
  const key = `${taxon} ${place}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plant or another place begins again
  useEffect(() => {
    run.current++;
    setMonths(null);
  }, [key]);
  const replay = async () => {
    const mine = ++run.current;
    setMonths([]);
    for (let month = 1; month <= 12; month++) {
      const told = await engine()?.replay(input, taxon, month);
      if (mine !== run.current || !told) return;
      setMonths((old) => [...(old ?? []), told]);
    }
  };
  return (
    <section className="mt-6">
      <h2 className="ruled">
        The same plant in other months<span className="small">what you could have told about {name}, and when</span>
      </h2>
      {months === null ? (
        <p className="mt-2">
          <Button onClick={replay}>What could I have told in April?</Button>
        </p>
      ) : null}
      {months ? (
        <table className="w-full text-left mt-1" aria-busy={months.length < 12}>
          <caption className="sr-only">Verdict on {name} in each month, with the checks it takes</caption>
          <thead>
            <tr className="small">
              <th scope="col">Month</th>
              <th scope="col">Stage</th>
              <th scope="col">Verdict</th>
              <th scope="col">Checks</th>
            </tr>
          </thead>
          <tbody>
            {months.map((m) => (
              <tr key={m.month} className="row align-top">
                <th scope="row" className="font-normal py-1.5 pr-3">
                  {MONTHS[m.month - 1]}
                </th>
                <td className="py-1.5 pr-3">{m.stage ? STAGE_WORDS[m.stage as Stage] : "not to be found"}</td>
                <td className="py-1.5 pr-3">{m.stage ? <TapePiece verdict={m.verdict} /> : null}</td>
                <td className="py-1.5">
                  {m.stage ? (
                    <>
                      <span className="figure">{m.looks}</span>
                      <span className="small">
                        {" "}
                        · {m.characters.slice(0, 3).map(nameOf).join(", ")}
                        {m.characters.length > 3 ? " …" : ""}
                      </span>
                    </>
                  ) : (
                    ""
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {months && months.length < 12 ? (
        <p className="small py-1" role="status">
          Calculating {MONTHS[months.length]} …{" "}
          <Button
            look="plain"
            onClick={() => {
              run.current++;
              setMonths(null);
            }}
          >
            Stop
          </Button>
        </p>
      ) : null}
    </section>
  );
}
