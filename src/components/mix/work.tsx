"use client";
import { calculateProduct } from "@/core/product";
import { figure, readNumber } from "./mix-units";
import { Quantity } from "./quantity";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

const FIELDS = {
  amount: ["work", "stems or m²", "Stems, or area"],
  pacePerHour: ["pace", "an hour, one person", "Pace"],
  people: ["people", "people", "Crew"],
  walkKm: ["walk", "km, there and back", "Way"],
  cleanMinutes: ["clean", "min", "Cleaning down"],
} as const;

/** Hours of a crew, bags and their weight, and what it costs. */
export function Work({ mix }: { mix: Mix }) {
  const value = (field: string) => readNumber(mix.typed[field]);
  const [amount, pacePerHour] = [value("work"), value("pace")];
  const inputs = {
    ...{ amount, pacePerHour, people: Math.max(1, Math.round(value("people") ?? 1)) },
    ...{ walkKm: value("walk") ?? 0, cleanMinutes: value("clean") ?? 0 },
  };
  const hours =
    amount && pacePerHour
      ? (calculateProduct("work-hours", inputs) as { crewHours: number; personHours: number })
      : null;
  const perHour = value("wage");
  const cost =
    hours && perHour
      ? (calculateProduct("cost", { personHours: hours.personHours, perHour, other: value("other") ?? 0 }) as number)
      : null;
  return (
    <section aria-label="Work">
      <div className="grid grid-cols-2 gap-4 max-w-[520px]">
        {Object.values(FIELDS).map(([field, unit, label]) => (
          <Quantity key={field} mix={mix} field={field} unit={unit} label={label} />
        ))}
        <Quantity mix={mix} field="wage" unit="money an hour" label="Wage" />
        <Quantity mix={mix} field="other" unit="money" label="Other costs" />
      </div>
      {hours ? (
        <div className="mt-4">
          <p role="status" className="text-[18px]">
            <strong>{figure(hours.crewHours)} h for the crew</strong>, {figure(hours.personHours)} h of all people
            together{cost === null ? "" : `, ${figure(cost)} of the district’s money`}.
          </p>
          <WorkedOut name="work-hours" inputs={inputs} />
        </div>
      ) : null}
      <Bags mix={mix} />
    </section>
  );
}

/** Bags for what is carried out. A bag of 60 L and 15 kg where nothing else is typed. */
function Bags({ mix }: { mix: Mix }) {
  const value = (field: string) => readNumber(mix.typed[field]);
  const [volumeL, massKg] = [value("bagVolume"), value("bagMass")];
  const inputs = { volumeL: volumeL ?? 0, massKg: massKg ?? 0, bagL: value("bagL") ?? 60, bagKg: value("bagKg") ?? 15 };
  const of = volumeL || massKg ? (calculateProduct("bags", inputs) as { bags: number; kgEach: number }) : null;
  return (
    <div className="mt-5">
      <h2 className="ruled">Bags</h2>
      <div className="grid grid-cols-2 gap-4 max-w-[520px] mt-2">
        <Quantity mix={mix} field="bagVolume" unit="L" label="Carried out" />
        <Quantity mix={mix} field="bagMass" unit="kg" label="It weighs" />
        <Quantity mix={mix} field="bagL" unit="L" label="A bag takes" hint="60 where nothing is typed" />
        <Quantity mix={mix} field="bagKg" unit="kg" label="A person lifts" hint="15 where nothing is typed" />
      </div>
      {of ? (
        <p role="status" className="mt-2">
          <strong>
            {of.bags} {of.bags === 1 ? "bag" : "bags"}
          </strong>
          , {figure(of.kgEach)} kg each.
        </p>
      ) : null}
    </div>
  );
}
