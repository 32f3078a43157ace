"use client";

/** What was seen, and how it weighs between the top two, in decibans: small two-way bars. Each can be taken back. */
export function Evidence({ rows, pair, onRemove }: { rows: { seen: string; decibans: number }[]; pair: { kept: string; target: string } | null; onRemove: (index: number) => void }) {
  const most = Math.max(6, ...rows.map((r) => Math.abs(r.decibans)));
  return (
    <section className="mt-6">
      <h2 className="ruled">What you have seen{pair && rows.length > 0 ? <span className="small font-normal" style={{ fontFamily: "inherit" }}>◀ for {pair.kept} · for {pair.target} ▶ (decibans)</span> : null}</h2>
      {rows.length === 0 ? <p className="small py-3">Nothing yet. Each answer will stand here with its weight, and can be taken back.</p> : null}
      <ol>
        {rows.map((row, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the order of the observations is their identity
          <li key={i} className="row grid grid-cols-[minmax(0,1fr)_100px_48px_44px] sm:grid-cols-[minmax(0,1fr)_180px_56px_44px] items-center gap-2">
            <span className="py-2">{row.seen}</span>
            <svg viewBox="0 0 180 20" className="w-full h-5" aria-hidden>
              <line x1={90} x2={90} y1={1} y2={19} stroke="var(--soft)" />
              <rect x={row.decibans >= 0 ? 90 : 90 - (88 * -row.decibans) / most} y={6} width={(88 * Math.abs(row.decibans)) / most} height={8} fill={row.decibans >= 0 ? "var(--madder)" : "var(--teal)"} />
            </svg>
            <span className="figure text-right">{Math.abs(row.decibans) < 0.05 ? "–" : `${row.decibans > 0 ? "+" : "−"}${Math.abs(row.decibans).toFixed(1)}`}</span>
            <button type="button" className="min-h-[44px] min-w-[44px]" aria-label={`Take back: ${row.seen}`} onClick={() => onRemove(i)}>×</button>
          </li>
        ))}
      </ol>
    </section>
  );
}
