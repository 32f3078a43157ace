"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { refusalWords } from "@/core/errors";

/** How long work stands that the jobs process does. */
export type LongWork<T> =
  | { at: "rest" }
  | { at: "asking" }
  | { at: "working"; id: string; state: "waiting" | "running"; progress: number; total: number | null }
  | { at: "done"; id: string; result: T }
  | { at: "called-off" }
  | { at: "failed"; why: string[] };

const LOOK_MS = 700;
interface Answer {
  state?: "waiting" | "running" | "done" | "failed" | "cancelled";
  progress?: number;
  total?: number | null;
  problem?: string | null;
  result?: unknown;
  job?: string;
  error?: { message: string; issues: { what: string }[] };
}

/** Asks for long work and follows it to its end; it goes on if the page is left. */
export function useLongWork<T>() {
  const [work, setWork] = useState<LongWork<T>>({ at: "rest" });
  const following = useRef<string | null>(null);
  useEffect(
    () => () => {
      following.current = null;
    },
    [],
  );
  const follow = useCallback(async (id: string) => {
    following.current = id;
    while (following.current === id) {
      const answer = await ask(`/api/v1/jobs/${id}`);
      if (following.current !== id) return;
      if (answer?.error) return setWork({ at: "failed", why: refusalWords(answer.error.message, answer.error.issues) });
      if (answer?.state === "done") return setWork({ at: "done", id, result: answer.result as T });
      if (answer?.state === "cancelled") return setWork({ at: "called-off" });
      if (answer?.state === "failed") return setWork({ at: "failed", why: [answer.problem ?? "It failed."] });
      if (answer?.state)
        setWork({
          at: "working",
          id,
          state: answer.state,
          progress: answer.progress ?? 0,
          total: answer.total ?? null,
        });
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }, []);
  /** @param url where it is asked for; the answer names the job */
  const start = useCallback(
    async (url: string, init: RequestInit) => {
      following.current = null;
      setWork({ at: "asking" });
      const answer = await ask(url, { method: "POST", ...init });
      if (!answer?.job)
        return setWork({
          at: "failed",
          why: answer?.error
            ? refusalWords(answer.error.message, answer.error.issues)
            : ["There is no connection. Nothing was begun."],
        });
      setWork({ at: "working", id: answer.job, state: "waiting", progress: 0, total: null });
      await follow(answer.job);
    },
    [follow],
  );
  const begin = useCallback(
    (kind: string, input: unknown) =>
      start("/api/v1/jobs", { headers: { "content-type": "application/json" }, body: JSON.stringify({ kind, input }) }),
    [start],
  );
  const callOff = useCallback((id: string) => ask(`/api/v1/jobs/${id}`, { method: "DELETE" }), []);
  const rest = useCallback(() => {
    following.current = null;
    setWork({ at: "rest" });
  }, []);
  return { work, start, begin, follow, callOff, rest };
}

async function ask(url: string, init?: RequestInit): Promise<Answer | null> {
  try {
    const response = await fetch(url, init);
    return (await response.json()) as Answer;
  } catch {
    return null;
  }
}
