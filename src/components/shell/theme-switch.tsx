"use client";

import { useEffect, useState } from "react";

const THEMES = [
  ["normal", "Normal"],
  ["sun", "Sun"],
  ["dark", "Dark"],
] as const;

/** Normal for the desk, sun for outdoors, dark for the evening. Kept in a cookie, so that the first paint is right. */
export function ThemeSwitch() {
  const [theme, setTheme] = useState("normal");
  useEffect(() => setTheme(document.documentElement.dataset.theme ?? "normal"), []);
  const choose = (next: string) => {
    setTheme(next);
    document.documentElement.dataset.theme = next;
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store API is not in every browser we serve
    document.cookie = `sentinel.theme=${next}; path=/; max-age=31536000; samesite=lax`;
  };
  return (
    <label className="inline-flex items-center gap-1">
      <span className="sr-only">Theme</span>
      <select
        value={theme}
        onChange={(e) => choose(e.target.value)}
        className="bg-transparent min-h-[44px] text-[var(--ink)]"
      >
        {THEMES.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
