import type { ReactNode } from "react";

/** More of something, shown on demand; it works before any script has come, and when printed it stands open or shut as it was. */
export const Disclosure = ({
  title,
  className = "",
  children,
}: {
  title: ReactNode;
  className?: string;
  children: ReactNode;
}) => (
  <details className={className}>
    <summary className="small min-h-[44px] flex items-center">{title}</summary>
    {children}
  </details>
);
