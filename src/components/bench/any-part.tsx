"use client";
import { Button } from "../ui/button";
import { memo, type RefObject, useMemo, useState } from "react";
import type { Character } from "@/core/flora";
import { findParts, indexParts } from "@/core/names";

/** Free order: find any part of the plant and answer it now. */
export const AnyPart = memo(function AnyPart({
  characters,
  askable,
  onChoose,
  onWordless,
  inputRef,
}: {
  characters: Character[] /** parts that suit what still fits */;
  askable: string[] | null;
  onChoose: (id: string) => void;
  /** something was seen that none of these takes in */
  onWordless: (words: string) => void;
  inputRef: RefObject<HTMLInputElement | null>;
}) {
  const [text, setText] = useState("");
  const index = useMemo(() => indexParts(characters), [characters]);
  const suits = useMemo(() => (askable ? new Set(askable) : null), [askable]);
  const found = useMemo(() => findParts(index, text, suits), [index, text, suits]);
  const choose = (id: string) => {
    onChoose(id);
    setText("");
  };
  return (
    <section className="mt-4">
      <label className="field">
        <span className="label">Any character: type what you see, such as “sap”, “awn”, “stem hair”</span>
        <input
          ref={inputRef}
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && found[0] && choose(found[0].id)}
          placeholder="Find a character  ( / )"
          autoComplete="off"
        />
      </label>
      {text.trim() ? (
        <ul>
          {found.map((c) => (
            <li key={c.id} className="row">
              <button type="button" className="min-h-[44px] w-full text-left" onClick={() => choose(c.id)}>
                <span className="font-semibold">{c.name}</span>{" "}
                <span className="small">
                  {c.ask}
                  {suits && !suits.has(c.id) ? " · rarely on this plant, or not at this stage" : ""}
                </span>
              </button>
            </li>
          ))}
          <li className="row">
            <Button
              look="plain"
              className="min-h-[44px] text-left"
              onClick={() => {
                onWordless(text);
                setText("");
              }}
            >
              {found.length === 0 ? "No character matches these words. " : "None of these? "}
              Keep “{text.trim()}” with the finding
            </Button>
          </li>
        </ul>
      ) : null}
    </section>
  );
});
