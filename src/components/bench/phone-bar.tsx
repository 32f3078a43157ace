import type { ReactNode } from "react";
import type { Bench } from "./use-bench";

/** Undo and the sheets of the phone, within reach of the thumb. */
export const PhoneBar = ({ bench }: { bench: Bench }) => (
  <div className="lg:hidden fixed bottom-0 inset-x-0 z-30 grid grid-cols-4 border-t border-[var(--line)] bg-[var(--paper)] no-print">
    <BarButton onClick={bench.undo} disabled={!bench.draft?.stageAsked}>
      ↶ Undo
    </BarButton>
    <BarButton pressed={bench.sheet === "fits"} onClick={() => bench.toggle("fits")}>
      Who fits
    </BarButton>
    <BarButton pressed={bench.sheet === "any"} onClick={() => bench.toggle("any")}>
      Any part…
    </BarButton>
    <BarButton pressed={bench.sheet === "save"} onClick={() => bench.toggle("save")}>
      Save
    </BarButton>
  </div>
);

function BarButton({
  children,
  onClick,
  pressed,
  disabled,
}: {
  children: ReactNode;
  onClick: () => void;
  pressed?: boolean;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      className={`min-h-[60px] font-bold border-l first:border-l-0 border-[var(--rule)] disabled:opacity-50 ${pressed ? "bg-[var(--press)] text-[var(--press-ink)]" : ""}`}
      aria-pressed={pressed}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
