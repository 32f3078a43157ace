import { createServer, type Server } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { smtpMail } from "@/adapters/smtp-mail";

let server: Server;
let url = "";
let refuse = false;
const received: string[] = [];

/** A mail server of the simplest kind, on this machine: it takes one letter a connection, or refuses it. */
beforeAll(async () => {
  server = createServer((socket) => {
    let letter: string | null = null;
    socket.setEncoding("utf8");
    socket.on("error", () => undefined);
    socket.write("220 here\r\n");
    socket.on("data", (part: string) => {
      if (letter !== null) {
        letter += part;
        if (letter.endsWith("\r\n.\r\n")) {
          received.push(letter);
          letter = null;
          socket.write("250 taken\r\n");
        }
        return;
      }
      for (const line of part.split("\r\n").filter(Boolean)) {
        if (/^DATA/i.test(line)) {
          letter = "";
          socket.write("354 go on\r\n");
        } else if (/^RCPT/i.test(line) && refuse) socket.write("451 not now\r\n");
        else if (/^QUIT/i.test(line)) socket.end("221 bye\r\n");
        else socket.write("250 ok\r\n");
      }
    });
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  url = `smtp://127.0.0.1:${(server.address() as { port: number }).port}`;
});
afterAll(() => server.close());

describe("a letter in real use", () => {
  const mail = () => smtpMail(url, "weeds@example.org");
  const letter = {
    to: "ida@example.org",
    subject: "Otter Valley",
    body: "Open this:\nhttps://weeds.example.org/invite/abc\n",
  };
  it("is handed to the mail server with its address, its sender and its text", async () => {
    await mail().send(letter);
    expect(received).toHaveLength(1);
    expect(received[0]).toContain("From: weeds@example.org");
    expect(received[0]).toContain("To: ida@example.org");
    expect(received[0]).toContain("https://weeds.example.org/invite/abc");
    expect(mail().simulated).toBe(false);
  });
  it("that the server does not take is an error, so that it is tried again", async () => {
    refuse = true;
    await expect(mail().send(letter)).rejects.toThrow(/451|not now|recipients/i);
    refuse = false;
  });
  it("for no server at all is an error too", async () =>
    expect(smtpMail("smtp://127.0.0.1:9", "weeds@example.org").send(letter)).rejects.toThrow());
});
