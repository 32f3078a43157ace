import { asLoader, closePools, inDistrict, inOneTransaction, type Transaction } from "@/db/client";
import { district } from "@/db/schema";
import { now, todayIn } from "@/server/platform/clock";
import { loadOtter } from "./otter";
import { makePeople } from "./people";
import { loadPine } from "./pine";
import { actorOf, OTTER, type Person, PINE, ZONE } from "./world";

/** Each district is looked for and loaded by itself: what was cut between the two is made up for at the next start. */
async function main(): Promise<void> {
  const loaded = now();
  const today = todayIn(ZONE);
  asLoader(now);
  const people = await makePeople();
  await loadOnce(PINE, people.pine, (tx, own) => loadPine(tx, own, today));
  await loadOnce(OTTER, people.otter, (tx, own) => loadOtter(tx, own, today, loaded));
}

async function loadOnce(
  districtId: string,
  people: Person[],
  load: (tx: Transaction, people: Person[]) => Promise<void>,
): Promise<void> {
  const there = await inDistrict(districtId, (tx) => tx.select().from(district));
  if (there.length > 0) return;
  process.stderr.write("Loading the demonstration …\n");
  await inOneTransaction(
    districtId,
    (tx) => load(tx, people),
    actorOf(people.find((p) => p.roles.includes("keeper")) as Person),
  );
}

main()
  .then(closePools)
  .then(() => process.exit(0))
  .catch((error) => {
    process.stderr.write(`${error.stack}\n`);
    process.exit(1);
  });
