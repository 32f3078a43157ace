import "./globals.css";
import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";

export const metadata: Metadata = {
  title: { default: "Merry Sentinel", template: "%s · Merry Sentinel" },
  description:
    "Know the plant before you act: identification, plans and records for people who control weeds and invasive plants.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: "#f5f1e6" };

export default async function RootLayout({ children }: { children: ReactNode }) {
  await headers();
  const theme = (await cookies()).get("sentinel.theme")?.value;
  return (
    <html lang="en" data-theme={theme === "sun" || theme === "dark" ? theme : "normal"}>
      <body>{children}</body>
    </html>
  );
}
