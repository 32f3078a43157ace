/** A report as it is handed over: the text byte for byte, and what was answered to questions since. */
export interface RegistryReport {
  /** by it the registry knows a report that it has already: handed over twice, it is one */
  key: string;
  text: string;
  answers: string[];
  /** where the district's reports go */
  to: string;
}

export type RegistryAnswer =
  | { said: "taken" }
  | { said: "acknowledged"; reference: string }
  | { said: "question"; text: string }
  | { said: "refused"; why: string };

/** Whom plants are reported to before anything is done about them. */
export interface RegistryPort {
  readonly simulated: boolean;
  /** @throws where it could not be handed over, or nobody knows whether it was: it is tried again with the same key */
  hand(report: RegistryReport): Promise<RegistryAnswer>;
}
