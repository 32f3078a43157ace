import type { TrialReport } from "@/core/trials";

/** The table of docs/trials.md is between these two lines; everything between them is written by the command. */
export const BEGIN = "<!-- written by npm run -s trials -- --write -->";
export const END = "<!-- end of what the command writes -->";

/** What the figures were measured on. */
export interface Measured {
  /** short hash of the commit, with "+" where files were changed since */
  commit: string;
  /** ISO date */
  day: string;
  /** version of the engine */
  engine: string;
  flora: string;
}

const share = (value: number): string => `${(100 * value).toFixed(1)}%`;
const upTo = (value: number, upper: number): string =>
  `${(100 * value).toFixed(2)}%, upper 95% ${(100 * upper).toFixed(2)}%`;

type Line = [figure: string, perturbed: string, exact: string, goal: string];

function lines({ perturbed: p, exact: e }: TrialReport): Line[] {
  const both = (figure: string, of: (f: TrialReport["exact"]) => string, goal = ""): Line => [
    figure,
    of(p),
    of(e),
    goal,
  ];
  const order = (figure: string, value: number | undefined, goal = ""): Line[] =>
    value === undefined ? [] : [[figure, share(value), "", goal]];
  return [
    both("right name first, after 12 checks", (f) => share(f.top1), "≥ 90%"),
    both("right name among three", (f) => share(f.top3), "≥ 97.5%"),
    both("targets cleared, all", (f) => share(f.targetsCleared)),
    both("targets cleared, of those separable at their stage", (f) => share(f.targetsClearedSeparable), "≥ 80%"),
    both("targets separable at their stage", (f) => share(f.targetsSeparable)),
    both("kept plants recognized, all", (f) => share(f.keptRecognised)),
    both("kept plants recognized, of those separable", (f) => share(f.keptRecognisedSeparable), "≥ 80%"),
    both("cleared wrongly, all", (f) => upTo(f.falseClears, f.falseClearsUpper95), "upper < 0.2%"),
    both("cleared wrongly, kept plants in the flora", (f) => upTo(f.falseClearsHeld, f.falseClearsHeldUpper95)),
    both("plants taken out of the flora that were cleared", (f) => share(f.unknownCleared), "< 2%"),
    ...order("checks, against the best fixed order", p.checksVsBestFixed, "≤ 60%"),
    ...order("checks, against a random order", p.checksVsRandom),
    ...order("seconds, against plain information gain", p.secondsVsBits, "≤ 85%"),
    both("checks, mean", (f) => f.checksMean.toFixed(1)),
    both("seconds, mean", (f) => f.secondsMean.toFixed(0)),
    both("Brier score", (f) => f.brier.toFixed(3)),
    both(
      "calibration error after 1, 4, 8 checks",
      (f) => [1, 4, 8].map((n) => f.ece[n]?.toFixed(3) ?? "–").join(", "),
      "≤ 0.03",
    ),
  ];
}

/** The table of a report in Markdown, with what it was measured on. */
export function trialsTable(report: TrialReport, { commit, day, engine, flora }: Measured): string {
  const { walks, error, assumed, mix, perturbed, exact } = report;
  return [
    `Measured on ${day} at commit ${commit}, engine ${engine}, flora ${flora}. ${walks} walks, seed ${mix.seed}, observer error ${share(error)}, assumed ${share(assumed)}.`,
    `Walks on kept plants: ${perturbed.keptWalks} perturbed, ${exact.keptWalks} exact.`,
    "",
    "| figure | perturbed flora | exact flora | goal |",
    "|---|---|---|---|",
    ...lines(report).map((line) => `| ${line.join(" | ")} |`),
    "",
    "| stage | right name first | among three | targets cleared | of those separable | kept recognized |",
    "|---|---|---|---|---|---|",
    ...report.stages.map(
      ({ stage, perturbed: f }) =>
        `| ${stage} | ${share(f.top1)} | ${share(f.top3)} | ${share(f.targetsCleared)} | ${share(f.targetsClearedSeparable)} | ${share(f.keptRecognised)} |`,
    ),
  ].join("\n");
}

/**
 * The page with the table put between its two lines.
 * @throws {RangeError} where the page lacks one of them
 */
export function withTable(page: string, table: string): string {
  const begin = page.indexOf(BEGIN);
  const end = page.indexOf(END);
  if (begin < 0 || end < begin)
    throw new RangeError("docs/trials.md lacks the lines between which the table is written");
  return `${page.slice(0, begin)}${BEGIN}\n${table}\n${page.slice(end)}`;
}
