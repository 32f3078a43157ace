// The web process: Next behind a plain server that says who is at the other end of a connection, and adds what every answer carries.
import { createServer } from "node:http";
import next from "next";

const [host, port] = [process.env.HOST ?? "127.0.0.1", Number(process.env.PORT)];
const address = new URL(process.env.SENTINEL_URL ?? `http://127.0.0.1:${port}`);
/** Whoever sends slower than this has gone away, or means no good. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 60_000;
const PATIENCE_MS = 8_000;

const app = next({ dev: false, hostname: host, port, dir: new URL("..", import.meta.url).pathname });
await app.prepare();
const handle = app.getRequestHandler();

const server = createServer((request, response) => {
  // Only this process knows the peer; what a client writes under this name is dropped.
  request.headers["x-sentinel-peer"] = request.socket.remoteAddress ?? "";
  // What a proxy said is kept apart: further in, the peer is written under the common name where none stood.
  request.headers["x-sentinel-forwarded"] = String(request.headers["x-forwarded-for"] ?? "");
  if (address.protocol === "https:") response.setHeader("strict-transport-security", "max-age=31536000");
  if (request.url?.startsWith("/serwist/")) alwaysAsked(response);
  handle(request, response);
});
server.headersTimeout = HEADERS_MS;
server.requestTimeout = REQUEST_MS;
server.maxConnections = 2000;
server.listen(port, host, () => process.send?.("ready"));

/** A shared cache that keeps the service worker for a year would keep people on an old program. */
function alwaysAsked(response) {
  const set = response.setHeader.bind(response);
  response.setHeader = (name, value) => set(name, name.toLowerCase() === "cache-control" ? "no-cache" : value);
}

for (const signal of ["SIGINT", "SIGTERM"])
  process.once(signal, () => {
    setTimeout(() => process.exit(0), PATIENCE_MS).unref();
    server.close(() => process.exit(0));
    server.closeIdleConnections();
  });
