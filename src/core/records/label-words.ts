import type { LabelLimits } from "./label-limits";

/** What a label may say in numbers, in the order in which a person looks for it, with its unit. */
export const LABEL_NUMBERS: [keyof LabelLimits, string][] = [
  ["ratePerHaMax", "Highest rate per ha"],
  ["seasonMaxPerHa", "Most per ha and season"],
  ["percentVvMax", "Most of the mix, % v/v"],
  ["tankMax", "Most in one tank"],
  ["stemMaxMl", "Most for one stem, mL"],
  ["carrierMinLPerHa", "Water at least, L/ha"],
  ["applicationsMax", "Applications in a season"],
  ["intervalDays", "Days between two applications"],
  ["windMaxMS", "Wind at most, m/s"],
  ["windMinMS", "Wind at least, m/s"],
  ["temperatureMaxC", "Temperature at most, °C"],
  ["temperatureMinC", "Temperature at least, °C"],
  ["gustMaxMS", "Gusts at most, m/s"],
  ["deltaTMinC", "Delta-T at least, °C"],
  ["deltaTMaxC", "Delta-T at most, °C"],
  ["humidityMinPercent", "Humidity at least, %"],
  ["rainFreeHours", "Hours without rain after"],
  ["reentryHours", "Re-entry after, h"],
  ["grazingDays", "No grazing, days"],
  ["hayingDays", "No haying, days"],
  ["foragingDays", "No gathering of food, days"],
  ["waterBufferM", "Distance to water, m"],
];

/** and in its own words */
export const LABEL_TEXTS: [keyof LabelLimits, string][] = [
  ["gear", "Protective gear, as the label says"],
  ["additives", "Additives that it allows"],
  ["sites", "Sites and plants that it names"],
  ["stages", "Stages of the plant that it names"],
];

/** and what of that can be checked. */
export const LABEL_NAMED: ["sitesNamed" | "stagesNamed" | "plantsNamed", string][] = [
  ["stagesNamed", "Stages at which it may be used"],
  ["sitesNamed", "Sites here where it may be used"],
  ["plantsNamed", "Plants of the list that it names"],
];

/** What a person would look for on the label, and does not find. */
export const silentOn = (limits: LabelLimits): string[] =>
  LABEL_NUMBERS.filter(([name]) => limits[name] === undefined).map(([, words]) => words);

/** The words for one thing that a label may say. */
export const limitWords = (name: string): string =>
  [...LABEL_NUMBERS, ...LABEL_TEXTS, ...LABEL_NAMED].find(([known]) => known === name)?.[1] ?? name;
