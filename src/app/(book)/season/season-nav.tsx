import Link from "next/link";

const PAGES = {
  week: ["This week", "/season"],
  planned: ["All that is planned", "/season?view=planned"],
  done: ["Done", "/season?view=done"],
  calendar: ["Calendar", "/season/calendar"],
  sheet: ["Week sheet", "/season/week"],
  methods: ["Methods", "/season/methods"],
  mix: ["Mix", "/mix"],
} as const;

/** The pages of the season. */
export const SeasonNav = ({ at }: { at: keyof typeof PAGES }) => (
  <nav aria-label="Pages of the season" className="mt-4 flex flex-wrap gap-x-5 no-print">
    {Object.entries(PAGES).map(([id, [name, href]]) => (
      <Link
        key={id}
        href={href}
        aria-current={id === at ? "page" : undefined}
        className={`tap ${id === at ? "font-bold no-underline" : ""}`}
      >
        {name}
      </Link>
    ))}
  </nav>
);
