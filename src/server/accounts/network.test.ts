import { BlockList } from "node:net";
import { describe, expect, it } from "vitest";
import { FORWARDED_HEADER, networkOf, PEER_HEADER, senderOf } from "./network";

const proxies = new BlockList();
proxies.addAddress("10.0.0.1");
proxies.addSubnet("192.168.7.0", 24);
const sender = (peer: string, forwarded = "") =>
  senderOf(new Headers({ [PEER_HEADER]: peer, [FORWARDED_HEADER]: forwarded }), proxies);

describe("where a request comes from", () => {
  it("is the other end of the connection, whatever the request says of itself", () => {
    expect(sender("203.0.113.9")).toBe("203.0.113.9");
    expect(sender("203.0.113.9", "198.51.100.1")).toBe("203.0.113.9");
    expect(sender("::ffff:203.0.113.9", "198.51.100.1")).toBe("203.0.113.9");
  });
  it("is what a proxy of ours says, and of several addresses the last that is none of ours", () => {
    expect(sender("10.0.0.1", "198.51.100.1")).toBe("198.51.100.1");
    expect(sender("10.0.0.1", "1.2.3.4, 198.51.100.1")).toBe("198.51.100.1");
    expect(sender("10.0.0.1", "1.2.3.4, 198.51.100.1, 192.168.7.20")).toBe("198.51.100.1");
    expect(sender("10.0.0.1", "rubbish")).toBe("10.0.0.1");
    expect(sender("10.0.0.1")).toBe("10.0.0.1");
  });
  it("is unknown where nothing is known", () => expect(senderOf(new Headers(), proxies)).toBe("unknown"));
});

describe("a network", () => {
  it("holds neighbours, and not others", () => {
    expect(networkOf("203.0.113.9")).toBe(networkOf("203.0.113.250"));
    expect(networkOf("203.0.113.9")).not.toBe(networkOf("203.0.114.9"));
    expect(networkOf("2001:db8:1:2::1")).toBe(networkOf("2001:db8:1:2:ffff:1:2:3"));
    expect(networkOf("2001:db8:1:2::1")).not.toBe(networkOf("2001:db8:1:3::1"));
    expect(networkOf("::1")).toBe("0:0:0:0");
    expect(networkOf("unknown")).toBe("unknown");
  });
});
