/** What was wrong with an input, as data: a code, the field that holds it, what was got and what would be right. */
export class InputError extends Error {
  readonly code: string;
  readonly field: string;
  readonly got: unknown;
  readonly wanted: string;

  /**
   * @param code short kebab-case reason, e.g. `unknown-state`
   * @param field path of the value, e.g. `observations.2.states`
   * @param got the value itself
   * @param wanted what would be right, in words
   */
  constructor(code: string, field: string, got: unknown, wanted: string) {
    super(`${field}: got ${JSON.stringify(got) ?? "nothing"}; ${wanted}`);
    this.name = "InputError";
    this.code = code;
    this.field = field;
    this.got = got;
    this.wanted = wanted;
  }

  toJSON() {
    return { code: this.code, field: this.field, got: this.got ?? null, wanted: this.wanted };
  }
}

/** A refusal in words, for a person: its message, then what is wrong with each field, unless the message says so already. */
export const refusalWords = (message: string, issues: { what: string }[]): string[] => [
  message,
  ...issues.map((issue) => issue.what).filter((what) => !message.includes(what)),
];
