import { signIn, signOut } from "@/server/accounts/sign-in";
import { readJson } from "@/server/platform/read-body";
import { respondToWrite } from "@/server/platform/respond";

/** Signs in, for programs: the same as the form, with the same limits. The session comes as a cookie. */
export async function POST(request: Request) {
  return respondToWrite(request, async () => {
    await signIn(await readJson(request));
    return Response.json({ ok: true }, { headers: { "cache-control": "no-store" } });
  });
}

/** Signs out; what this browser keeps of our answers goes with it. */
export async function DELETE(request: Request) {
  return respondToWrite(request, async () => {
    await signOut();
    return Response.json({ ok: true }, { headers: { "cache-control": "no-store", "clear-site-data": '"cache"' } });
  });
}
