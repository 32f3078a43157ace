import { asLoader, closePools, inDistrict, type Transaction } from "@/db/client";
import { district } from "@/db/schema";
import { loadOtter } from "./otter";
import { makePeople } from "./people";
import { loadPine } from "./pine";
import { actorOf, OTTER, type Person, PINE } from "./world";

/** Each district is looked for and loaded by itself: what was cut between the two is made up for at the next start. */
async function main(): Promise<void> {
  asLoader();
  const people = await makePeople();
  await loadOnce(OTTER, people.otter, loadOtter);
  await loadOnce(PINE, people.pine, loadPine);
}

async function loadOnce(
  districtId: string,
  people: Person[],
  load: (tx: Transaction, people: Person[]) => Promise<void>,
): Promise<void> {
  const there = await inDistrict(districtId, (tx) => tx.select().from(district));
  if (there.length > 0) return;
  process.stderr.write("Loading the demonstration …\n");
  await inDistrict(
    districtId,
    (tx) => load(tx, people),
    actorOf(people.find((p) => p.roles.includes("keeper")) as Person),
  );
}

main()
  .then(closePools)
  .catch((error) => {
    process.stderr.write(`${error.stack}\n`);
    process.exit(1);
  });
