"use client";
import { type RefObject, useState } from "react";
import type { Character } from "@/core/identify";

/** Free order: find any part of the plant and answer it now. */
export function AnyPart({ characters, onChoose, inputRef }: { characters: Character[]; onChoose: (id: string) => void; inputRef: RefObject<HTMLInputElement | null> }) {
  const [text, setText] = useState("");
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length === 0 ? [] : characters.filter((c) => words.every((w) => `${c.name} ${c.ask} ${c.station} ${c.states.map((s) => s.name).join(" ")}`.toLowerCase().includes(w))).slice(0, 8);
  const choose = (id: string) => {
    onChoose(id);
    setText("");
  };
  return (
    <section className="mt-4">
      <label className="field"><span className="label">Any part: type what you see, such as “sap”, “awn”, “stem hair”</span><input ref={inputRef} value={text} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.key === "Enter" && found[0] && choose(found[0].id)} placeholder="Find a part  ( / )" autoComplete="off" /></label>
      {words.length > 0 ? (
        <ul>
          {found.map((c) => <li key={c.id} className="row"><button type="button" className="min-h-[44px] w-full text-left" onClick={() => choose(c.id)}><span className="font-semibold">{c.name}</span> <span className="small">{c.ask}</span></button></li>)}
          {found.length === 0 ? <li className="small py-2">No part goes by these words. Try a shorter one.</li> : null}
        </ul>
      ) : null}
    </section>
  );
}
