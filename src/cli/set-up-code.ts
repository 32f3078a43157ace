import { makeSetUpCode } from "@/server/accounts/set-up-code";
import { needsSetUp } from "@/server/people/set-up";
import { closePools } from "@/db/client";
import { run } from "./output";

/** Prints a fresh set-up code where no district has been made yet, and nothing where one has; with `--new-district` always. */
run(async () => {
  if (process.argv.includes("--new-district") || (await needsSetUp()))
    process.stdout.write(`${await makeSetUpCode()}\n`);
  await closePools();
});
