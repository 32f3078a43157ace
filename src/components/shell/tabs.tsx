"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";

/** The index tabs of the notebook. */
export function Tabs({ tabs }: { tabs: { href: string; name: string }[] }) {
  const path = usePathname();
  return (
    <nav
      aria-label="Notebook"
      className="no-print flex overflow-x-auto bg-[var(--paper)] border-b border-[var(--line)] md:block md:overflow-visible md:border-b-0 md:border-r md:pt-4 md:sticky md:top-0 md:h-dvh"
    >
      <Link href="/today" className="no-underline slab hidden md:block px-3 pb-4 text-[19px] leading-[1.08]">
        Merry
        <br />
        Sentinel
      </Link>
      {tabs.map((tab) => {
        const current = path.startsWith(tab.href);
        return (
          <Link
            key={tab.href}
            href={tab.href}
            aria-current={current ? "page" : undefined}
            style={{ textDecoration: current ? "underline" : "none" }}
            className={`flex items-center justify-center md:justify-start min-h-[46px] grow px-1 text-[14px] md:text-[16px] md:px-3 md:ml-2 md:mb-1 md:min-h-[42px] md:rounded-l-[5px] md:border md:border-r-0 ${current ? "bg-[var(--sheet)] font-bold md:border-[var(--line)] md:-mr-px md:relative" : "text-[var(--soft)] md:border-[var(--rule)] md:bg-[color-mix(in_srgb,var(--rule)_35%,transparent)]"}`}
          >
            {tab.name}
          </Link>
        );
      })}
    </nav>
  );
}
