"use client";

import { Popover } from "radix-ui";
import { DayPicker, type ClassNames } from "react-day-picker";

const LOOK: Partial<ClassNames> = {
  root: "p-2",
  month_caption: "font-bold px-2 h-[44px] flex items-center",
  nav: "absolute right-2 top-2 flex",
  button_previous: "min-w-[44px] min-h-[44px] grid place-items-center",
  button_next: "min-w-[44px] min-h-[44px] grid place-items-center",
  chevron: "w-4 h-4 fill-current",
  weekday: "small font-normal w-[44px] h-[28px] text-center",
  day: "p-0 text-center",
  day_button: "w-[44px] h-[44px] figure disabled:opacity-35",
  selected: "bg-[var(--press)] text-[var(--press-ink)] font-bold",
  today: "underline underline-offset-4",
  outside: "text-[var(--soft)]",
};
const dateOf = (iso: string): Date => {
  const [year = 0, month = 1, day = 1] = iso.split("-").map(Number);
  return new Date(year, month - 1, day);
};
const isoOf = (date: Date): string =>
  [date.getFullYear(), date.getMonth() + 1, date.getDate()].map((n) => String(n).padStart(2, "0")).join("-");

/** A month to choose a day from; arrow keys move in it, Escape closes it. Days outside the bounds cannot be chosen. */
export function DayCalendar({
  day,
  min,
  max,
  onChoose,
  onClose,
}: {
  /** ISO days */
  day: string | null;
  min?: string;
  max?: string;
  onChoose: (day: string) => void;
  onClose: () => void;
}) {
  const shown = day ?? max ?? min;
  return (
    <Popover.Root open onOpenChange={(open) => open || onClose()}>
      <Popover.Anchor className="absolute right-0 bottom-0" />
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Choose a day"
          className="relative z-50 bg-[var(--paper)] border border-[var(--line)] shadow-lg"
        >
          <DayPicker
            mode="single"
            required
            autoFocus
            weekStartsOn={0}
            selected={day ? dateOf(day) : undefined}
            defaultMonth={shown ? dateOf(shown) : undefined}
            disabled={[...(min ? [{ before: dateOf(min) }] : []), ...(max ? [{ after: dateOf(max) }] : [])]}
            onSelect={(chosen: Date) => onChoose(isoOf(chosen))}
            classNames={LOOK}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
