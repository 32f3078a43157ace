/** Marks by shape: target filled triangle, watch open diamond, kept ring, protected double ring, crop hatched square, tolerated small ring, unknown dashed square. */
export function StatusMark({ status, size = 20 }: { status: string; size?: number }) {
  const common = {
    width: size,
    height: size,
    viewBox: "0 0 24 24",
    "aria-hidden": true,
    style: { flex: "none", display: "inline-block", verticalAlign: "-0.15em" },
  } as const;
  switch (status) {
    case "target":
      return (
        <svg {...common}>
          <path d="M12 2 22 21H2Z" fill="var(--madder)" />
        </svg>
      );
    case "watch":
      return (
        <svg {...common}>
          <path d="M12 2 22 12 12 22 2 12Z" fill="none" stroke="var(--madder)" strokeWidth="3" />
        </svg>
      );
    case "protected":
      return (
        <svg {...common}>
          <circle cx="12" cy="12" r="9.5" fill="none" stroke="var(--teal)" strokeWidth="2.2" />
          <circle cx="12" cy="12" r="4.6" fill="none" stroke="var(--teal)" strokeWidth="2.6" />
        </svg>
      );
    case "crop":
      return (
        <svg {...common}>
          <rect x="3" y="3" width="18" height="18" fill="none" stroke="var(--teal)" strokeWidth="2.2" />
          <path d="M3 15 15 3M3 21 21 3M9 21 21 9" stroke="var(--teal)" strokeWidth="1.6" />
        </svg>
      );
    case "tolerated":
      return (
        <svg {...common}>
          <circle cx="12" cy="12" r="5.4" fill="none" stroke="var(--teal)" strokeWidth="2.2" />
        </svg>
      );
    case "unknown":
      return (
        <svg {...common}>
          <rect
            x="3"
            y="3"
            width="18"
            height="18"
            fill="none"
            stroke="var(--violet)"
            strokeWidth="2.2"
            strokeDasharray="3.4 2.4"
          />
          <text x="12" y="17" textAnchor="middle" fontSize="13" fill="var(--violet)">
            ?
          </text>
        </svg>
      );
    default:
      return (
        <svg {...common}>
          <circle cx="12" cy="12" r="8.6" fill="none" stroke="var(--teal)" strokeWidth="3.6" />
        </svg>
      );
  }
}

export const STATUS_WORDS: Record<string, string> = {
  target: "target",
  watch: "watch: not here yet",
  tolerated: "tolerated",
  kept: "kept",
  protected: "protected",
  crop: "crop",
  unknown: "not in this flora",
};
/** A status as a district's word on a plant; "not here yet" says where by itself. */
export const statusHere = (status: string): string =>
  status === "watch" ? "watch: not here yet" : `${STATUS_WORDS[status] ?? status} here`;
/** A status as a heading. */
export const statusTitle = (status: string): string =>
  (STATUS_WORDS[status] ?? status).replace(/^./, (letter) => letter.toUpperCase());

export const VERDICT_WORDS: Record<string, string> = {
  clear: "Clear to act",
  hold: "Hold",
  keep: "Keep",
  open: "Open",
  unknown: "Unknown plant",
};

/** A short piece of the tape that stands for a verdict in lists and on paper. */
export function TapePiece({ verdict }: { verdict: string }) {
  return <span className={`tape-piece ${verdict}`}>{VERDICT_WORDS[verdict] ?? verdict}</span>;
}

/** The verdict as a length of tape across the sheet. */
export function Tape({ verdict, reason, todo }: { verdict: string; reason: string; todo?: string }) {
  return (
    <div className={`tape ${verdict}`} role="status" aria-live="polite">
      <span className="word">{VERDICT_WORDS[verdict] ?? verdict}</span>
      <span className="reason">
        <span>{reason}</span>
        {todo ? <span style={{ fontWeight: 420 }}>{todo}</span> : null}
      </span>
    </div>
  );
}
