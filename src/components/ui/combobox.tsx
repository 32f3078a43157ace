"use client";

import { useCombobox } from "downshift";
import { useState } from "react";

export interface Choice {
  value: string;
  words: string;
  /** a second name, shown beside and found too */
  also?: string;
}

const MOST_SHOWN = 12;
const fold = (text: string) => text.trim().toLowerCase();
const isExactly = ({ words, also, value }: Choice, text: string) =>
  [words, also ?? "", value].some((name) => fold(name) === fold(text));
const includes = ({ words, also = "" }: Choice, text: string) =>
  fold(words).includes(fold(text)) || fold(also).includes(fold(text));

/**
 * One of many, found by typing a part of any of its names; arrow keys choose, as does a whole name that was typed.
 * With `name` a form sends the value under it.
 */
export function Combobox({
  label,
  choices,
  value,
  onChange,
  name,
  placeholder,
  fault,
}: {
  label: string;
  choices: Choice[];
  value: string;
  onChange?: (value: string) => void;
  name?: string;
  placeholder?: string;
  /** said where no choice has a name like what was typed */
  fault?: string;
}) {
  const [chosen, setChosen] = useState(value);
  const [text, setText] = useState(choices.find((c) => c.value === value)?.words ?? "");
  const choose = (next: string) => {
    setChosen(next);
    onChange?.(next);
  };
  const found = choices.filter((c) => includes(c, text)).slice(0, MOST_SHOWN);
  const box = useCombobox<Choice>({
    items: found,
    inputValue: text,
    itemToString: (item) => item?.words ?? "",
    onInputValueChange: ({ inputValue }) => {
      setText(inputValue);
      choose(choices.find((c) => isExactly(c, inputValue))?.value ?? "");
    },
    onSelectedItemChange: ({ selectedItem }) => selectedItem && choose(selectedItem.value),
  });
  const open = box.isOpen && text.trim() !== "" && !(found.length === 1 && found[0] && isExactly(found[0], text));
  return (
    <div className="field relative">
      {/* biome-ignore lint/a11y/noLabelWithoutControl: getLabelProps gives it the input's id */}
      <label className="label" {...box.getLabelProps()}>
        {label}
      </label>
      <input {...box.getInputProps({ autoComplete: "off", placeholder })} />
      {name ? <input type="hidden" name={name} value={chosen || text} /> : null}
      <ul
        {...box.getMenuProps()}
        className={open ? "absolute z-40 left-0 right-0 bg-[var(--sheet)] border-2 border-[var(--ink)]" : "sr-only"}
      >
        {open
          ? found.map((item, index) => (
              <li
                key={item.value}
                className={`min-h-[44px] px-3 py-2 cursor-pointer ${box.highlightedIndex === index ? "bg-[var(--press)] text-[var(--press-ink)]" : ""}`}
                {...box.getItemProps({ item, index })}
              >
                {item.words} {item.also ? <span className="italic">{item.also}</span> : null}
              </li>
            ))
          : null}
      </ul>
      {fault && text && !chosen && found.length === 0 ? <span className="fault">{fault}</span> : null}
    </div>
  );
}
