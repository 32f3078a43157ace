import { pointsOf, type Line } from "./round-state";

/** The sheet of a round: a cell for each question. */
export function ScoreStrip({ lines, questions }: { lines: Line[]; questions: number }) {
  return (
    <ol className="score-strip" aria-label={`${lines.length} of ${questions} answered`}>
      {Array.from({ length: questions }, (_, i) => {
        const line = lines[i];
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place on the sheet
          <li key={i} className={line ? (line.right ? "cell-right" : "cell-wrong") : ""}>
            <span aria-hidden>{line ? (line.right ? "✓" : "✗") : i + 1}</span>
            <span className="sr-only">{line ? (line.right ? "right" : "wrong") : "not asked yet"}</span>
          </li>
        );
      })}
    </ol>
  );
}

/** The whole sheet, once it is done. */
export function ScoreSheet({ lines, onAgain, onHome }: { lines: Line[]; onAgain: () => void; onHome: () => void }) {
  const right = lines.filter((line) => line.right).length;
  const mixed = lines.filter(({ chosen }) => chosen);
  return (
    <section aria-labelledby="sheet-done" data-sheet-done>
      <h1 id="sheet-done">{lines.length > 0 ? "The sheet is full" : "Nothing could be asked"}</h1>
      {lines.length > 0 ? (
        <p className="mt-2 text-[18px]">
          <strong>{right}</strong> of {lines.length} right, <strong>{pointsOf(lines)}</strong> of 100 points.
        </p>
      ) : (
        <p className="mt-2">
          No plant of this choice can be asked about in this form. Choose another form or more plants.
        </p>
      )}
      <ScoreStrip lines={lines} questions={lines.length} />
      {mixed.length > 0 ? (
        <>
          <h2 className="ruled mt-5">You mixed up</h2>
          <ul>
            {mixed.map(({ plain, chosen }, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a pair may come twice
              <li key={i} className="row py-2">
                <strong>{plain}</strong> was mistaken for <strong>{chosen}</strong>. The pair comes again soon.
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <p className="mt-5 flex flex-wrap gap-3">
        <button type="button" className="button press" onClick={onAgain} data-next>
          Another sheet
        </button>
        <button type="button" className="button" onClick={onHome}>
          Back to Drill
        </button>
      </p>
    </section>
  );
}
