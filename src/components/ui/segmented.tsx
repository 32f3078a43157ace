"use client";

import { RadioGroup } from "radix-ui";
import type { ReactNode } from "react";

/** One of a few, side by side: arrow keys move between them. */
export function Segmented<Value extends string>({
  label,
  value,
  onChange,
  options,
  className = "",
}: {
  label: string;
  value: Value;
  onChange: (value: Value) => void;
  options: { value: Value; words: ReactNode }[];
  className?: string;
}) {
  const chosen = (next: string) => {
    const option = options.find((o) => o.value === next);
    if (option) onChange(option.value);
  };
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={chosen}
      orientation="horizontal"
      className={`segmented ${className}`}
    >
      {options.map((option) => (
        <RadioGroup.Item key={option.value} value={option.value} className="segment">
          {option.words}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
