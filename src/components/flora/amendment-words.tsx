import { kindOfKey, twinOfKey } from "@/core/pack";

/** What an amendment is about, in words: a score by its key, the plant itself, or what tells it apart from a twin. */
export function amendmentSubject(key: string): string {
  const kind = kindOfKey(key);
  return kind === "plant" ? "the plant itself" : kind === "twin" ? `what tells it from ${twinOfKey(key)}` : key;
}

/** What the flora said and what it says then; of a plant or a pair only the lines that differ. */
export function AmendmentWords({
  name,
  before,
  value,
  struck,
}: {
  name: string;
  before: string | null;
  value: string | null;
  struck?: boolean;
}) {
  const [was, then] =
    kindOfKey(name) === "score"
      ? [before ?? "not recorded", value ?? "not recorded"]
      : [
          linesBeside(before, value) ||
            (before === null ? (kindOfKey(name) === "plant" ? "not held" : "not listed") : "as it was"),
          linesBeside(value, before),
        ];
  return (
    <span className={struck ? "line-through" : ""}>
      {was} → <span className="font-semibold">{then}</span>
    </span>
  );
}

/** The lines of a text that another does not have. */
const linesBeside = (text: string | null, other: string | null): string =>
  (text ?? "")
    .split("\n")
    .filter((line) => !(other ?? "").split("\n").includes(line))
    .join("; ");
