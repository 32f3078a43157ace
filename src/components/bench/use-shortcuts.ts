"use client";

import { useEffect, useRef } from "react";
import { canBeMissing } from "@/core/identify";
import { isTyping, singleKeysAreOn } from "../ui/single-keys";
import type { Bench } from "./use-bench";

/** Clicks what is marked on the page: a key does what a press on it would do. */
const press = (selector: string) => document.querySelector<HTMLButtonElement>(selector)?.click();

/** What each key does. */
const KEYS: { is: RegExp; does: (bench: Bench, key: string) => void }[] = [
  { is: /^[1-9]$/, does: (_, key) => press(`[data-answer="${key}"]`) },
  { is: /^0$/, does: (bench) => cannotTell(bench) },
  { is: /^g$/, does: () => press("[data-go-on]") },
  { is: /^n$/, does: (bench) => answerPart(bench, "not-there-yet") },
  { is: /^x$/, does: (bench) => answerPart(bench, "absent") },
  { is: /^u$/, does: (bench) => bench.undo() },
];

function cannotTell(bench: Bench): void {
  if (bench.step === "stage") bench.say({ type: "stageSaid", stage: null });
  else if (bench.step === "place") bench.say({ type: "placeSaid", said: [] });
  else if (bench.character) bench.answer({ character: bench.character.id, answer: "cannot-tell" });
}

function answerPart({ character, step, sure, answer }: Bench, said: "not-there-yet" | "absent"): void {
  if (!character || step !== "part" || (said === "absent" && !canBeMissing(character))) return;
  answer({ character: character.id, answer: said, ...(said === "absent" ? { sure } : {}) });
}

/** Single keys answer on the Bench, unless they were switched off or someone is typing. */
export function useShortcuts(bench: Bench, search: React.RefObject<HTMLInputElement | null>): void {
  const latest = useRef(bench);
  latest.current = bench;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey || isTyping(event.target)) return;
      if (!singleKeysAreOn()) return;
      if (event.key === "/") {
        event.preventDefault();
        search.current?.focus();
      }
      KEYS.find((key) => key.is.test(event.key))?.does(latest.current, event.key);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [search]);
}
