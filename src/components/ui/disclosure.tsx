import type { ReactNode } from "react";

const LOOKS = {
  line: "min-h-[44px] flex items-center gap-2",
  small: "small min-h-[44px] flex items-center gap-2",
  button: "button",
};

/** What stays folded away until it is wanted, under a line that says what it is. It opens without a script. */
export function Disclosure({
  summary,
  look = "line",
  className,
  children,
}: {
  summary: ReactNode;
  look?: keyof typeof LOOKS;
  className?: string;
  children: ReactNode;
}) {
  return (
    <details className={className}>
      <summary className={LOOKS[look]}>{summary}</summary>
      {children}
    </details>
  );
}

/** The line of a disclosure that reads as something to do. */
export const PlainAction = ({ children }: { children: ReactNode }) => <span className="plain-button">{children}</span>;
