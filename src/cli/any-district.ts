import { closePools } from "@/db/client";
import { needsSetUp } from "@/server/people/set-up";
import { run } from "./output";

/** Prints whether any district has been made here: yes or no. */
run(async () => {
  process.stdout.write((await needsSetUp()) ? "no\n" : "yes\n");
  await closePools();
});
