"use client";
import { useId } from "react";
import { type Kind, UNIT_WORDS, unitOf } from "./mix-units";
import type { Mix } from "./use-mix";

/** A number with its unit beside it, in the units of the person. */
export function Quantity({
  mix,
  field,
  kind,
  unit,
  label,
  hint,
}: {
  mix: Mix;
  field: string;
  kind?: Kind;
  unit?: string;
  label: string;
  hint?: string;
}) {
  const id = useId();
  const words = kind ? UNIT_WORDS[unitOf(kind, mix.system)] : unit;
  return (
    <div className="field">
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <span className="flex items-baseline gap-2">
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          className="figure"
          value={mix.typed[field] ?? ""}
          onChange={(e) => mix.type(field, e.target.value)}
        />
        {words ? <span className="whitespace-nowrap">{words}</span> : null}
      </span>
      {hint ? <span className="small">{hint}</span> : null}
    </div>
  );
}
