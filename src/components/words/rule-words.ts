import { LIFE_FORM_WORDS, type Method, type Rule } from "@/core/control";
import { STAGE_WORDS } from "./stages";

const ANSWERS = { never: "Never", "not-now": "Not now" } as const;

const KEY_WORDS: Record<string, string> = {
  "life-form": "growth form",
  cycle: "life cycle",
  sprouts: "sprouts from",
  fragments: "grows from pieces of",
  stand: "stand from",
  contact: "harms by",
  "ripens-cut": "seed ripens on cut stems",
  "wilted-toxic": "more poisonous when wilted",
  "poisons-stock": "poisons stock",
  "stock-recorded": "stock that eats it is recorded",
  "bark-slips": "bark slips",
  stage: "stage",
  months: "months",
  "no-product": "site without products",
  "no-machines": "site without machines",
  grazed: "grazed",
  hayed: "cut for hay",
  foraged: "food is gathered",
  slope: "slope",
  "told-not": "no one has said",
};

/** Conditions with a number, with its unit. */
const AMOUNT_WORDS: Record<string, (amount: string) => string> = {
  "stem-over": (cm) => `stems over ${cm} cm`,
  "stem-under": (cm) => `stems under ${cm} cm`,
  "height-over": (cm) => `higher than ${cm} cm`,
  "height-under": (cm) => `lower than ${cm} cm`,
  "count-over": (stems) => `more than ${stems} stems`,
  "count-under": (stems) => `fewer than ${stems} stems`,
  "area-over": (m2) => `more than ${m2} m²`,
  "area-under": (m2) => `less than ${m2} m²`,
  "water-within": (m) => `water within ${m} m`,
};

/** What a rule asks, as a line: "stems over 2.5 cm; growth form: tree". */
export const conditionWords = (when: Rule["when"]): string =>
  Object.entries(when)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => oneCondition(key, value))
    .join("; ");

function oneCondition(key: string, value: unknown): string {
  const amount = AMOUNT_WORDS[key];
  if (amount) return amount(Number(value).toLocaleString("en-US"));
  return value === true ? (KEY_WORDS[key] ?? key) : `${KEY_WORDS[key] ?? key}: ${valueWords(key, value)}`;
}

/** Months by their names, words that are joined by hyphens as words, and lists with commas. */
function valueWords(key: string, value: unknown): string {
  if (key === "months") return monthsWords(String(value));
  if (key === "stage") return stagesWords(value as Method["stages"]);
  if (key === "life-form") return lifeFormsWords(value as Method["life-forms"]);
  const words = Array.isArray(value) ? value.join(", ") : value === false ? "no" : String(value);
  return key === "told-not" ? words.replaceAll("-", " ") : words;
}

const MONTHS = "January February March April May June July August September October November December".split(" ");
/** Months of the calendars, north: "3-10" is "March to October". */
export const monthsWords = (range: string): string =>
  range
    .split("-")
    .map((month) => MONTHS[Number(month) - 1])
    .join(" to ");
export const stagesWords = (stages: Method["stages"]): string =>
  stages.map((stage) => STAGE_WORDS[stage].toLowerCase()).join(", ");

export const lifeFormsWords = (forms: Method["life-forms"]): string =>
  forms.map((form) => LIFE_FORM_WORDS[form]).join(", ");

/** A rule of a method as a line. */
export const ruleWords = ({ answer, when, why }: Rule): string =>
  `${ANSWERS[answer]} (${conditionWords(when)}): ${why}`;

/** What must be true for a method, in the words of the vocabulary, each with the conditions under which it must. */
export const mustWords = (method: Pick<Method, "must" | "must-when">, known: Record<string, string>): string[] => [
  ...method.must.map((word) => known[word] ?? word),
  ...method["must-when"].map(({ when, known: word }) => `Where ${conditionWords(when)}: ${known[word] ?? word}`),
];

/** Lines of a district's method that the shipped one does not have, and the other way round. */
export function departures(own: Method, shipped: Method): { added: string[]; gone: string[] } {
  const lines = (method: Method) => [
    `Name: ${method.name}`,
    `Months: ${monthsWords(method.months)}`,
    `Stages: ${stagesWords(method.stages)}`,
    `People: ${method.people}`,
    `Kit: ${method.kit.join(", ")}`,
    `Pace: ${method.pace["stems-per-hour"] ?? "no"} stems an hour, ${method.pace["m2-per-hour"]} m² an hour`,
    ...method.rules.map(ruleWords),
    ...mustWords(method, {}).map((words) => `Must be true: ${words}`),
    ...method.schools.map(({ when, sides }) => `Practitioners differ (${conditionWords(when)}): ${sides.join(" ")}`),
    ...method.cautions.map((caution) => `Caution: ${caution}`),
    ...method.follows.map(({ what, "after-days": [low, high] }) => `What follows: ${what} ${low} to ${high} days`),
    ...method.prefer.map(({ why, points }) => `First choice, ${points} points: ${why}`),
  ];
  const [here, there] = [lines(own), lines(shipped)];
  return { added: here.filter((line) => !there.includes(line)), gone: there.filter((line) => !here.includes(line)) };
}
