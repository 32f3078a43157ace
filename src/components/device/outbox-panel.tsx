"use client";

import { Button, LinkButton } from "@/components/ui/button";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { TapePiece, VERDICT_WORDS } from "../verdict/marks";
import { shortDay } from "../words/dates";
import { useOutbox } from "./keeper";
import { reopen, sendWaiting, takeOut } from "./outbox";
import type { DrillItem, FindingItem } from "./stored";

/** What waits on this device: for the signal, or for a person. */
export function OutboxPanel({
  deviceKey,
  nameOf,
}: {
  deviceKey: string /** common names by accepted name */;
  nameOf: Record<string, string>;
}) {
  const items = useOutbox(deviceKey);
  const router = useRouter();
  const [said, setSaid] = useState("");
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    const { sent, waits } = await sendWaiting(deviceKey).catch(() => ({
      sent: 0,
      waits: "The storage of this device is closed.",
    }));
    setBusy(false);
    setSaid(waits ?? (sent === 0 ? "Nothing is waiting to be sent." : `${sent} sent.`));
  };
  if (items === null) return <p role="status">Reading this device …</p>;
  if (items.length === 0)
    return (
      <p className="mt-3">
        Nothing is waiting on this device. What you save on the <Link href="/bench">Bench</Link> without a signal stays
        here until the server has it. <span role="status">{said}</span>
      </p>
    );
  return (
    <>
      {items.some((i) => i.state === "waiting") ? (
        <p className="mt-3 flex flex-wrap gap-3 items-center">
          <Button look="press" disabled={busy} onClick={send}>
            {busy ? "Sending …" : "Send now"}
          </Button>
          <span role="status">{said}</span>
        </p>
      ) : null}
      <DrillAnswers items={items.filter((item) => item.kind === "drill")} />
      <ol className="mt-3">
        {items
          .filter((item) => item.kind === "finding")
          .map((item) => (
            <li key={item.id} className="row py-3">
              <p className="flex flex-wrap gap-x-3 gap-y-1 items-center">
                <TapePiece verdict={item.field.verdict} />
                <strong>{plant(item.field.taxon, nameOf)}</strong>{" "}
                <span>
                  {item.siteName}, {shortDay(item.body.day)}
                </span>{" "}
                <span className="small">
                  {item.body.observations.length} checks{item.body.note ? ", with a note" : ""}
                </span>
              </p>
              {item.state === "waiting" ? (
                <p className="small">Waiting for a signal. You can close this window and lose nothing.</p>
              ) : null}
              {item.state === "clash" && item.server ? <Clash item={item} nameOf={nameOf} /> : null}
              {item.state === "refused" ? (
                <div className="mt-1">
                  <p className="fault">{item.fault}</p>
                  <p className="flex flex-wrap gap-3 mt-1">
                    {item.server ? (
                      <Button onClick={() => takeOut(item.id)}>Leave the picture out</Button>
                    ) : (
                      <>
                        <Button
                          onClick={async () =>
                            (await reopen(item.id))
                              ? router.push("/bench")
                              : setSaid("Another unfinished finding is on the Bench. Save that one first.")
                          }
                        >
                          Open it on the Bench
                        </Button>
                        <Button look="plain" onClick={() => takeOut(item.id)}>
                          Throw it away
                        </Button>
                      </>
                    )}
                    <span role="status">{said}</span>
                  </p>
                </div>
              ) : null}
            </li>
          ))}
      </ol>
    </>
  );
}

/** Answers of practice go by themselves; only what the server refused is listed, to be thrown away. */
function DrillAnswers({ items }: { items: DrillItem[] }) {
  const refused = items.filter((item) => item.state === "refused");
  const waiting = items.length - refused.length;
  return (
    <>
      {waiting > 0 ? (
        <p className="mt-3">
          {waiting} {waiting === 1 ? "answer" : "answers"} of Drill {waiting === 1 ? "waits" : "wait"} for a signal.
        </p>
      ) : null}
      {refused.map((item) => (
        <p key={item.id} className="mt-1">
          <span className="fault">An answer of Drill was refused: {item.fault}</span>{" "}
          <Button look="plain" onClick={() => takeOut(item.id)}>
            Throw it away
          </Button>
        </p>
      ))}
    </>
  );
}

const plant = (taxon: string | null, names: Record<string, string>) => (taxon ? (names[taxon] ?? taxon) : "Not named");

function Clash({ item, nameOf }: { item: FindingItem; nameOf: Record<string, string> }) {
  const server = item.server as NonNullable<FindingItem["server"]>;
  return (
    <div className="mt-1 border-l-4 border-[var(--madder)] pl-3">
      <p>
        <strong>The server gives a different verdict.</strong> In the field: {VERDICT_WORDS[item.field.verdict]},{" "}
        {plant(item.field.taxon, nameOf)}. Now: {VERDICT_WORDS[server.verdict]}, {plant(server.taxon, nameOf)}.{" "}
        {server.because}
      </p>
      <p className="small">
        The list, the costs or the flora changed after this device last had a signal. The server’s verdict is the one
        that counts. Don’t act on any other.
      </p>
      <p className="flex flex-wrap gap-3 mt-1">
        <LinkButton href={`/findings/${item.id}`}>Open finding {server.number}</LinkButton>
        <Button look="plain" onClick={() => takeOut(item.id)}>
          I have read this
        </Button>
      </p>
    </div>
  );
}
