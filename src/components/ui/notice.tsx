import type { ReactNode } from "react";

/** Something to know before going on; `grave` where something could be harmed or lost. */
export const Notice = ({
  grave = false,
  className = "",
  children,
}: {
  grave?: boolean;
  className?: string;
  children: ReactNode;
}) => (
  <div
    role="note"
    className={`border-2 border-dashed p-3 ${grave ? "border-[var(--madder)]" : "border-[var(--line)]"} ${className}`}
  >
    {children}
  </div>
);

/** What stands where there is nothing yet, with what to do about it. */
export const Empty = ({ children }: { children: ReactNode }) => <p className="mt-3 text-[var(--soft)]">{children}</p>;
