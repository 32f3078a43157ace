"use client";

import { Keyboard } from "lucide-react";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { isTyping, singleKeysAreOn, switchSingleKeys } from "../ui/single-keys";

interface Tab {
  href: string;
  name: string;
  key: string;
}

/** Shift and a letter opens a tab from anywhere. */
export function TabKeys({ tabs }: { tabs: Tab[] }) {
  const router = useRouter();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!event.shiftKey || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const tab = tabs.find((t) => t.key === event.key.toLowerCase());
      if (tab) router.push(tab.href);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router, tabs]);
  return null;
}

export function KeyHelp({ tabs }: { tabs: Tab[] }) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="plain-button hidden md:inline-flex items-center gap-1">
        <Keyboard size={16} aria-hidden />
        Keys
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/40 z-40" />
        <Dialog.Content className="fixed z-50 top-16 left-1/2 -translate-x-1/2 w-[min(520px,92vw)] bg-[var(--sheet)] border-2 border-[var(--ink)] p-6">
          <Dialog.Title className="slab text-[21px] ruled">Keys</Dialog.Title>
          <Dialog.Description className="small mt-2">
            Everything works by keyboard. Letters do nothing while you type in a field.
          </Dialog.Description>
          <dl className="mt-3 grid grid-cols-[110px_1fr] gap-y-1">
            {tabs.map((t) => (
              <Row key={t.key} keys={`Shift ${t.key.toUpperCase()}`} what={t.name} />
            ))}
            <Row keys="1 to 9" what="Bench: choose that answer" />
            <Row keys="0" what="Bench: can't tell" />
            <Row keys="G" what="Bench: go on when you have said where the plant grows" />
            <Row keys="N" what="Bench: not there yet" />
            <Row keys="X" what="Bench: no such part" />
            <Row keys="U" what="Bench: undo the last step" />
            <Row keys="/" what="Bench: find any part of the plant" />
            <Row keys="1 to 4" what="Drill: choose that answer" />
            <Row keys="C" what="Drill: show the next clue" />
            <Row keys="Enter" what="Drill: go on" />
            <Row keys="[ and ]" what="Tables: the page before, and the next" />
          </dl>
          <SingleKeysSwitch />
          <Dialog.Close className="button mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Switches the keys without Shift off, for those whom they get in the way. */
function SingleKeysSwitch() {
  const [on, setOn] = useState(true);
  useEffect(() => setOn(singleKeysAreOn()), []);
  return (
    <label className="tick mt-3">
      <input
        type="checkbox"
        checked={on}
        onChange={(e) => {
          setOn(e.target.checked);
          switchSingleKeys(e.target.checked);
        }}
      />
      Single keys answer on the Bench and in Drill
    </label>
  );
}

function Row({ keys, what }: { keys: string; what: string }) {
  return (
    <>
      <dt>
        <span className="keycap">{keys}</span>
      </dt>
      <dd>{what}</dd>
    </>
  );
}
