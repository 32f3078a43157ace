"use client";
import { useEffect } from "react";
import { isTyping, singleKeysAreOn } from "../ui/single-keys";

const press = (selector: string): boolean => {
  const found = document.querySelector<HTMLButtonElement>(selector);
  if (!found || found.disabled) return false;
  found.click();
  return true;
};

/** Enter there is a press on the control itself. */
const isControl = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest("button, a, input, select, textarea, [role=button]") !== null;

/** Figures answer, C shows the next clue, Enter goes on; unless single keys were switched off or someone is typing. */
export function useDrillKeys(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey || isTyping(event.target)) return;
      if (event.key === "Enter" && !isControl(event.target) && press("[data-next]")) event.preventDefault();
      if (!singleKeysAreOn()) return;
      if (/^[1-9]$/.test(event.key)) press(`[data-answer="${event.key}"]`);
      if (event.key === "c") press("[data-clue]");
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
