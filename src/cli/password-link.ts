import { InputError } from "@/core/errors";
import { closePools } from "@/db/client";
import { env } from "@/env";
import { accountOf } from "@/server/accounts/auth";
import { makeSecretLink } from "@/server/accounts/secret-links";
import { run } from "./output";

/** Prints a link with which the person of an address chooses a new password: for the person who runs the machine. */
run(async () => {
  const address = process.argv[2] ?? "";
  const account = await accountOf(address);
  if (!account) throw new InputError("no-account", "address", address, "give the address of an account that is here");
  const token = await makeSecretLink(account.id, "password", { byMachine: true });
  process.stdout.write(`${env().SENTINEL_URL}/password/${token}\n`);
  await closePools();
});
