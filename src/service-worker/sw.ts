import { CacheFirst, ExpirationPlugin, type PrecacheEntry, Serwist, type SerwistGlobalConfig } from "serwist";

declare global {
  interface WorkerGlobalScope extends SerwistGlobalConfig {
    __SW_MANIFEST: (PrecacheEntry | string)[] | undefined;
  }
}
declare const self: ServiceWorkerGlobalScope & WorkerGlobalScope;

/** The page that works from the device alone: it reads from its address what is wanted. */
const SHELL = "/field";
/** How long a page may take: long where the device says that it has a signal, for some pages calculate for seconds. */
const PATIENCE_MS = { online: 40_000, offline: 3_000 };

const serwist: Serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      // Pages come from the server, and are never kept: they hold a district's own data. Without a signal the shell stands in.
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === "navigate" && !url.pathname.startsWith("/api/"),
      handler: async ({ request }): Promise<Response> => {
        try {
          return await fetch(request, {
            signal: AbortSignal.timeout(navigator.onLine ? PATIENCE_MS.online : PATIENCE_MS.offline),
          });
        } catch {
          return (await serwist.matchPrecache(SHELL)) ?? Response.error();
        }
      },
    },
    {
      // The flora as the district amended it: a version never changes, so what is kept is right.
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname === "/api/v1/flora",
      handler: new CacheFirst({ cacheName: "amended-flora", plugins: [new ExpirationPlugin({ maxEntries: 3 })] }),
    },
  ],
});

// A worker takes its own address from the answer to its request: one out of the cache has lost what stands behind the #, in which the
// script finds what to start. An answer made again has no address, and leaves the worker the one that was asked for.
self.addEventListener("fetch", (event) => {
  if (event.request.destination !== "worker") return;
  event.stopImmediatePropagation();
  event.respondWith(workerScript(event.request));
});

async function workerScript(request: Request): Promise<Response> {
  const kept = await serwist.matchPrecache(new URL(request.url).pathname);
  return kept ? new Response(kept.body, { headers: kept.headers }) : fetch(request);
}

serwist.addEventListeners();
