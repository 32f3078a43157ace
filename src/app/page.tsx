import { redirect } from "next/navigation";
import { needsSetUp } from "@/server/people/set-up";
import { currentMember } from "@/server/platform/session";

export default async function Home() {
  if (await needsSetUp()) redirect("/set-up");
  redirect((await currentMember()) ? "/today" : "/sign-in");
}
