/** A fault in the surroundings, told in one sentence with the command that mends it. */
export class Trouble extends Error {
  constructor(sentence, command) {
    super(command ? `${sentence}\n  ${command}` : sentence);
    this.name = "Trouble";
  }
}

export const say = (text) => process.stderr.write(`${text}\n`);

/** Runs a script's main function; Trouble is printed plainly, anything else with its stack. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    say(error instanceof Trouble ? `\n${error.message}\n` : error.stack);
    process.exit(1);
  }
}
