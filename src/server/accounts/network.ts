import { BlockList, isIP } from "node:net";
import { env } from "@/env";

/** The header in which our own server names whoever is at the other end of the connection; what a client sends under it is dropped. */
export const PEER_HEADER = "x-sentinel-peer";
/** What came under the common name of forwarded addresses, whoever wrote it; empty where nothing did. */
export const FORWARDED_HEADER = "x-sentinel-forwarded";

/** Proxies in front of this program, whose word on the sender's address counts. */
function proxies(): BlockList {
  const list = new BlockList();
  for (const entry of env().SENTINEL_PROXIES) {
    const [address = "", bits] = entry.split("/");
    const family = isIP(address) === 6 ? "ipv6" : "ipv4";
    if (!isIP(address))
      throw new Error(`SENTINEL_PROXIES: "${entry}" is not an address. Write it as 10.0.0.1 or 10.0.0.0/8`);
    if (bits) list.addSubnet(address, Number(bits), family);
    else list.addAddress(address, family);
  }
  return list;
}

/** The sender's address: that of the connection, or, where that is a proxy of ours, the last one in the row that is none. */
export function senderOf(headers: Headers, known = proxies()): string {
  const isProxy = (address: string) => known.check(address, isIP(address) === 6 ? "ipv6" : "ipv4");
  const plain = (address: string) => address.trim().replace(/^::ffff:(?=\d+\.)/, "");
  let sender = plain(headers.get(PEER_HEADER) ?? "");
  if (!isIP(sender)) return "unknown";
  const row = (headers.get(FORWARDED_HEADER) ?? "").split(",").map(plain).filter(Boolean);
  while (isProxy(sender) && row.length > 0) {
    const before = row.pop() as string;
    if (!isIP(before)) break;
    sender = before;
  }
  return sender;
}

/** The network that an address belongs to, as it is counted: 256 addresses of the old kind, a customer's share of the new kind. */
export function networkOf(address: string): string {
  if (isIP(address) === 4) return address.split(".").slice(0, 3).join(".");
  if (isIP(address) !== 6) return "unknown";
  const [head, tail = ""] = address.split("::");
  const parts = head ? head.split(":") : [];
  const rest = tail ? tail.split(":") : [];
  const full = [...parts, ...Array(Math.max(0, 8 - parts.length - rest.length)).fill("0"), ...rest];
  return full
    .slice(0, 4)
    .map((part) => Number.parseInt(part || "0", 16).toString(16))
    .join(":");
}
