"use client";
import { PRODUCT_CALCULATIONS } from "@/core/product";
import { Disclosure } from "../ui/disclosure";

/** How a number was worked out: what the registry of calculations says of it, and what went in, in SI. */
export function WorkedOut({ name, inputs }: { name: string; inputs: Record<string, unknown> }) {
  const of = PRODUCT_CALCULATIONS.find((one) => one.name === name);
  if (!of) return null;
  return (
    <Disclosure summary="How was this worked out?" look="small" className="no-print">
      <p className="small">
        {of.says} {of.source}.
      </p>
      <ul className="small figure">
        {Object.entries(inputs).map(([field, value]) => (
          <li key={field}>
            {field}: {typeof value === "number" ? Number(value.toPrecision(6)) : JSON.stringify(value)}
          </li>
        ))}
      </ul>
    </Disclosure>
  );
}
