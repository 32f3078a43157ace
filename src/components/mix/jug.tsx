"use client";
import { calculateProduct, convert } from "@/core/product";
import { InputError } from "@/core/errors";
import { figure, readNumber, UNIT_WORDS, unitOf } from "./mix-units";
import type { Mix } from "./use-mix";

/** What the jug can show of an amount, and the error that it makes. */
export function Jug({ mix }: { mix: Mix }) {
  const unit = unitOf("caught", mix.system);
  const amount = readNumber(mix.typed.jugAmount);
  const mark = readNumber(mix.typed.jugMark);
  const shown =
    amount !== undefined && mark !== undefined ? readJug(convert(amount, unit, "mL"), convert(mark, unit, "mL")) : null;
  const field = (name: string, label: string) => (
    <label className="field">
      <span className="label">
        {label}, {UNIT_WORDS[unit]}
      </span>
      <input
        inputMode="decimal"
        autoComplete="off"
        className="figure"
        value={mix.typed[name] ?? ""}
        onChange={(e) => mix.type(name, e.target.value)}
      />
    </label>
  );
  return (
    <section aria-label="Jug" className="max-w-[420px]">
      <div className="grid grid-cols-2 gap-4">
        {field("jugAmount", "Wanted")}
        {field("jugMark", "Between two marks of the jug")}
      </div>
      {shown ? (
        <p role="status" className="mt-4 text-[18px]">
          {typeof shown === "string" ? (
            shown
          ) : (
            <>
              <strong>
                Fill to {figure(convert(shown.read, "mL", unit))} {UNIT_WORDS[unit]}
              </strong>
              : {figure(Math.abs(shown.errorShare) * 100)}% too {shown.errorShare < 0 ? "little" : "much"}.
            </>
          )}
        </p>
      ) : null}
    </section>
  );
}

function readJug(amount: number, mark: number): { read: number; errorShare: number } | string {
  try {
    return calculateProduct("jug", { amount, mark }) as { read: number; errorShare: number };
  } catch (error) {
    if (error instanceof InputError) return "This jug is too coarse for so little. Use a smaller one.";
    throw error;
  }
}
