import { Options } from "../ui/options";
import { Button } from "../ui/button";
import Link from "next/link";
import type { ReactNode } from "react";
import { DeviceKeeper } from "../device/keeper";
import { SignOut } from "../device/sign-out";
import { KeyHelp, TabKeys } from "../shell/keys";
import { Tabs } from "./tabs";
import { ThemeSwitch } from "./theme-switch";

export const TABS = [
  { href: "/today", name: "Today", key: "t" },
  { href: "/ground", name: "Ground", key: "g" },
  { href: "/bench", name: "Bench", key: "b" },
  { href: "/season", name: "Season", key: "s" },
  { href: "/ledger", name: "Ledger", key: "l" },
  { href: "/flora", name: "Flora", key: "f" },
  { href: "/drill", name: "Drill", key: "d" },
  { href: "/people", name: "People", key: "p" },
];

export interface ShellProps {
  district: string;
  districts: { id: string; name: string }[];
  person: string;
  demonstration: boolean;
  /** whose drafts and findings this device keeps */
  deviceKey: string;
  children: ReactNode;
  chooseDistrict: (form: FormData) => Promise<void>;
  signOut: (form: FormData) => Promise<void>;
}

/** The notebook: index tabs at the left edge in the order of the work; along the top on a phone. */
export function Shell({
  district,
  districts,
  person,
  demonstration,
  deviceKey,
  children,
  chooseDistrict,
  signOut,
}: ShellProps) {
  return (
    <div
      data-device-key={deviceKey}
      className="md:grid md:grid-cols-[104px_minmax(0,1fr)] min-h-dvh print:block! print:min-h-0!"
    >
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-[var(--sheet)] focus:p-3"
      >
        Skip to the sheet
      </a>
      <Tabs tabs={TABS} />
      <div className="bg-[var(--sheet)] min-w-0 flex flex-col">
        <header className="no-print flex items-center gap-x-4 md:gap-x-5 gap-y-0 flex-wrap px-4 md:px-6 border-b border-[var(--rule)] small min-h-[44px]">
          {districts.length > 1 ? (
            <form action={chooseDistrict} className="flex items-center gap-2">
              <label>
                District{" "}
                <select
                  name="district"
                  defaultValue={district}
                  className="bg-transparent min-h-[44px] text-[var(--ink)]"
                >
                  <Options choices={districts} />
                </select>
              </label>
              <Button type="submit" look="plain">
                Go
              </Button>
            </form>
          ) : (
            <span className="hidden md:inline">{districts[0]?.name}</span>
          )}
          {demonstration ? (
            <span className="chip">
              <span>
                Demonstration<span className="sr-only md:not-sr-only">: all places and people are invented</span>
              </span>
            </span>
          ) : null}
          <DeviceKeeper deviceKey={deviceKey} />
          <span className="ml-auto flex items-center gap-3">
            <ThemeSwitch />
            <KeyHelp tabs={TABS} />
            <Link href="/account" className="tap">
              <span className="sm:hidden">Account</span>
              <span className="hidden sm:inline">{person}</span>
            </Link>
            <SignOut action={signOut} deviceKey={deviceKey} />
          </span>
        </header>
        <main id="sheet" className="flex-1 min-w-0">
          {children}
        </main>
      </div>
      <TabKeys tabs={TABS} />
    </div>
  );
}
