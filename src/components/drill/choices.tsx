/** One of a few answers. */
export interface Choice {
  id: string;
  words: string;
  also?: string;
}

/** The answers to choose from, each with its key; afterward the right one and the chosen one are marked. */
export function Choices({
  label,
  choices,
  right,
  chosen,
  onChoose,
}: {
  label: string;
  choices: Choice[];
  /** known once it is answered */
  right: string | null;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  return (
    <ul aria-label={label} className="grid gap-2 mt-3 content-start">
      {choices.map(({ id, words, also }, i) => (
        <li key={id}>
          <button
            type="button"
            data-answer={i + 1}
            disabled={right !== null}
            onClick={() => onChoose(id)}
            className={`choice ${right === id ? "choice-right" : ""} ${right !== null && chosen === id && right !== id ? "choice-wrong" : ""}`}
          >
            <span className="keycap" aria-hidden>
              {i + 1}
            </span>
            <span>
              <span className="font-semibold block">{words}</span>
              {also ? <span className="latin small">{also}</span> : null}
            </span>
            {right === id ? <span className="ml-auto small">✓ right</span> : null}
            {right !== null && chosen === id && right !== id ? <span className="ml-auto small">✗ yours</span> : null}
          </button>
        </li>
      ))}
    </ul>
  );
}
