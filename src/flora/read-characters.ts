import { type Character, KIT, LIFE_FORMS, type LifeForm, type Mistake, type Stage, STAGES } from "@/core/flora";
import { COMPARED } from "@/core/identify";
import type { Problem, YamlFile } from "./read-yaml";

/** Named spans of stages, so that a character file reads like a field guide. */
const STAGE_SPANS: Record<string, Stage[]> = {
  all: [...STAGES],
  growing: ["vegetative", "flowering", "fruiting"],
  head: ["flowering", "fruiting"],
  "woody-year": ["vegetative", "flowering", "fruiting", "winter"],
};
const ERROR_RATES: Record<string, number> = { plain: 0.008, high: 0.025, normal: 0.05, low: 0.1 };
const MISTAKES: Mistake[] = ["nominal", "ordered", "overlooked"];

/** Reads the stations of one character file. Fields of the station are the defaults of its characters. */
export function readCharacters(source: YamlFile, problems: Problem[]): Character[] {
  const characters: Character[] = [];
  source.data.forEach((station: Record<string, unknown>, s: number) => {
    const entries = station.characters as Record<string, Record<string, unknown>>;
    for (const [id, own] of Object.entries(entries)) {
      const line = source.lineOf([s, "characters", id]);
      const say = (what: string) => problems.push({ file: source.file, line, what: `${id}: ${what}` });
      characters.push(readCharacter(id, { ...station, ...own }, say));
    }
  });
  return characters;
}

/** `name; help` of each state. */
const readStates = (raw: unknown): Character["states"] =>
  Object.entries((raw as Record<string, string>) ?? {}).map(([state, text]) => {
    const [name, help] = String(text)
      .split(";")
      .map((part) => part.trim());
    return { id: state, name, help: help ?? "" };
  });

function checkWhole(
  raw: Record<string, unknown>,
  kind: Character["kind"],
  states: Character["states"],
  say: (what: string) => void,
): void {
  if (raw.compares && states.map((s) => s.id).join(" ") !== COMPARED.join(" "))
    say(`a comparative character has the states ${COMPARED.join(", ")}, in this order`);
  if (kind === "states" && states.length < 2) say("a character with states needs at least two");
  if (kind !== "states" && !raw.unit) say("a measured character needs a unit");
  if (!raw.ask || !raw.name) say("needs a name and a question (ask)");
  if (!raw.block) say("needs a block: the characters that go wrong together");
}

function readCharacter(id: string, raw: Record<string, unknown>, say: (what: string) => void): Character {
  const trust = String(raw.trust ?? "normal");
  if (!(trust in ERROR_RATES)) say(`trust "${trust}"; write plain, high, normal or low`);
  const mistake = String(raw.mistake ?? "nominal") as Mistake;
  if (!MISTAKES.includes(mistake)) say(`mistake "${mistake}"; write ${MISTAKES.join(", ")}`);
  const kit = onlyKnown(raw.kit as string[], KIT, "kit", say);
  const applies = onlyKnown((raw.applies as string[]) ?? [...LIFE_FORMS], LIFE_FORMS, "life form", say);
  const kind = (raw.kind as Character["kind"]) ?? "states";
  const states = readStates(raw.states);
  checkWhole(raw, kind, states, say);
  const stages = readStages(raw.stages, say);
  const winter = Object.entries((raw.winter ?? {}) as Record<string, string[]>).map(([character, states]) => ({
    character,
    states,
  }));
  if (winter.length > 0 && stages.includes("winter")) say("seen in every winter already: leave winter out");
  const when = raw.when ? Object.entries(raw.when as Record<string, string[]>)[0] : undefined;
  return {
    id,
    name: String(raw.name),
    ask: String(raw.ask),
    help: String(raw.help ?? ""),
    ...(raw.words ? { words: String(raw.words) } : {}),
    station: String(raw.station),
    kind,
    unit: raw.unit as string | undefined,
    block: String(raw.block),
    comparative: raw.compares !== undefined,
    ...(raw.compares ? { compares: String(raw.compares) } : {}),
    stages,
    answered: raw.answered === undefined ? answeredAt(String(raw.station), stages) : readStages(raw.answered, say),
    ...(raw.grows === true ? { grows: true as const } : {}),
    seconds: Number(raw.seconds ?? 6),
    kit: kit as Character["kit"],
    destroys: raw.destroys === true,
    touch: raw.touch as Character["touch"],
    mistake,
    errorRate: ERROR_RATES[trust] ?? 0.05,
    alike: (raw.alike as [string, string][]) ?? [],
    applies: applies as LifeForm[],
    when: when ? { character: when[0], states: when[1] } : undefined,
    ...(winter.length > 0 ? { winter } : {}),
    states,
  };
}

const AFTER_SEEDLING: Stage[] = ["vegetative", "flowering", "fruiting", "winter"];
/** The stages at which a plant can have a part, where the file does not say: no seedling flowers, and a grown plant has lost its seed leaves. */
function answeredAt(station: string, asked: Stage[]): Stage[] {
  if (asked.every((stage) => stage === "seedling")) return ["seedling", "vegetative"];
  const ofHead = asked.every((stage) => stage !== "seedling" && stage !== "vegetative");
  return ofHead && station !== "distance" ? AFTER_SEEDLING : [...STAGES];
}

function readStages(raw: unknown, say: (what: string) => void): Stage[] {
  if (raw === undefined) return [...STAGES];
  if (typeof raw === "string") {
    if (STAGE_SPANS[raw]) return STAGE_SPANS[raw];
    say(`stages "${raw}"; write a list or one of ${Object.keys(STAGE_SPANS).join(", ")}`);
    return [...STAGES];
  }
  return onlyKnown(raw as Stage[], STAGES, "stage", say) as Stage[];
}

function onlyKnown(
  given: string[] | undefined,
  known: readonly string[],
  what: string,
  say: (what: string) => void,
): string[] {
  const list = given ?? [];
  for (const item of list) if (!known.includes(item)) say(`unknown ${what} "${item}"`);
  return list.filter((item) => known.includes(item));
}
