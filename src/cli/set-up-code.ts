import { makeSetUpCode } from "@/server/accounts/set-up-code";
import { needsSetUp } from "@/server/people/set-up";
import { closePools } from "@/db/client";
import { run } from "./output";

/** Prints a fresh set-up code where no district has been made yet, and nothing where one has. */
run(async () => {
  if (await needsSetUp()) process.stdout.write(`${await makeSetUpCode()}\n`);
  await closePools();
});
