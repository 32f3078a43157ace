import { health } from "@/server/platform/health";

export const dynamic = "force-dynamic";

export async function GET(request: Request) {
  const state = await health(request.headers);
  return Response.json(state, { status: state.ok ? 200 : 503, headers: { "cache-control": "no-store" } });
}
