"use client";

import { CalendarDays } from "lucide-react";
import dynamic from "next/dynamic";
import { type FocusEvent, useEffect, useRef, useState } from "react";
import { fullDay, parseDay, parseTime } from "../words/dates";

/** The calendar is loaded when it is opened: most days are typed, or stand there already. */
const DayCalendar = dynamic(() => import("./day-calendar").then((m) => m.DayCalendar), { ssr: false });

const wordsFor = (iso: string): string => (iso ? fullDay(iso) : "");

/**
 * A day, written as everywhere else in the program ("9 June 2026") whatever the language of the browser; it can be typed in other
 * ways too, or chosen in a calendar. The label around it is the caller's. A form sends the ISO day under `name`.
 * @param label what the day is of, for the calendar's button
 * @param min ISO day, as `max`: the calendar offers no day outside
 * @param onChange told of each whole day, as an ISO day
 */
export function DayInput({
  name,
  value,
  onChange,
  label,
  min,
  max,
}: {
  name?: string;
  value: string;
  onChange?: (day: string) => void;
  label: string;
  min?: string;
  max?: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (input.current) input.current.value = wordsFor(value);
  }, [value]);
  const choose = (day: string) => {
    setOpen(false);
    button.current?.focus();
    if (!input.current) return;
    input.current.value = fullDay(day);
    // A form that stores what was typed hears of it as if it had been typed.
    input.current.dispatchEvent(new Event("input", { bubbles: true }));
  };
  return (
    <span className="relative flex items-end">
      <Written
        {...{ name, input }}
        first={wordsFor(value)}
        reads="day"
        placeholder="9 June 2026"
        onWritten={(day) => onChange?.(day)}
      />
      <button
        ref={button}
        type="button"
        className="inline-grid place-items-center min-w-[44px] min-h-[44px] no-print"
        aria-label={`Calendar: ${label}`}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <CalendarDays size={20} aria-hidden />
      </button>
      {open ? (
        <DayCalendar
          day={parseDay(input.current?.value ?? "")}
          {...{ min, max }}
          onChoose={choose}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </span>
  );
}

/** A time of day in 24 hours, "16:30", however it was typed. A form sends that under `name`. */
export const TimeInput = ({ name, value = "" }: { name: string; value?: string }) => (
  <Written name={name} first={value} reads="time" placeholder="16:30" />
);

const READERS = {
  day: { read: parseDay, write: fullDay, fault: "Write the day like 9 June 2026." },
  time: { read: parseTime, write: (time: string) => time, fault: "Write the time like 16:30." },
};

/** What a form sends of a field that shows words: its ISO day or time, or what was typed where it is neither. */
export function readWritten(form: HTMLFormElement, data: FormData): void {
  for (const field of form.querySelectorAll<HTMLInputElement>("input[data-reads]")) {
    const { read } = READERS[field.dataset.reads === "time" ? "time" : "day"];
    if (field.name && field.value) data.set(field.name, read(field.value) ?? field.value);
  }
}

function Written({
  name,
  input,
  first,
  reads,
  placeholder,
  onWritten,
}: {
  name?: string;
  input?: React.Ref<HTMLInputElement>;
  first: string;
  reads: keyof typeof READERS;
  placeholder: string;
  onWritten?: (read: string) => void;
}) {
  const { read, write, fault } = READERS[reads];
  const [wrong, setWrong] = useState(false);
  const leave = (event: FocusEvent<HTMLInputElement>) => {
    const field = event.currentTarget;
    const said = read(field.value);
    setWrong(said === null && field.value.trim() !== "");
    if (said) field.value = write(said);
  };
  return (
    <span className="flex-1 min-w-0">
      <input
        ref={input}
        name={name}
        defaultValue={first}
        placeholder={placeholder}
        data-reads={reads}
        autoComplete="off"
        aria-invalid={wrong || undefined}
        onInput={(e) => {
          const said = read(e.currentTarget.value);
          if (said) onWritten?.(said);
        }}
        onBlur={leave}
        className="w-full"
      />
      {wrong ? (
        <span role="alert" className="fault block">
          {fault}
        </span>
      ) : null}
    </span>
  );
}
