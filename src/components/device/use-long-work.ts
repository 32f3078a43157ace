"use client";
import { readError } from "@/contracts/error";
import { useCallback, useEffect, useRef, useState } from "react";
import { refusalWords } from "@/core/errors";
import { workAskedSchema, workStateSchema } from "@/contracts/work";
import type z from "zod";

/** How long work stands that the jobs process does. */
export type LongWork<T> =
  | { at: "rest" }
  | { at: "asking" }
  | { at: "working"; id: string; state: "waiting" | "running"; progress: number; total: number | null }
  | { at: "done"; id: string; result: T }
  | { at: "called-off" }
  | { at: "failed"; why: string[] };

const LOOK_MS = 700;
/** Asks for long work and follows it to its end; it goes on if the page is left. */
/** @param resultSchema what comes of this kind of work */
export function useLongWork<S extends z.ZodType>(resultSchema: S) {
  const [work, setWork] = useState<LongWork<z.output<S>>>({ at: "rest" });
  const following = useRef<string | null>(null);
  useEffect(
    () => () => {
      following.current = null;
    },
    [],
  );
  const follow = useCallback(
    async (id: string) => {
      following.current = id;
      while (following.current === id) {
        const answer = await ask(`/api/v1/jobs/${id}`);
        if (following.current !== id) return;
        const next = answer === null ? null : standing(id, answer, resultSchema);
        if (next) setWork(next);
        if (next && next.at !== "working") return;
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
      }
    },
    [resultSchema],
  );
  /** @param url where it is asked for; the answer names the job */
  const start = useCallback(
    async (url: string, init: RequestInit) => {
      following.current = null;
      setWork({ at: "asking" });
      const answer = await ask(url, { method: "POST", ...init });
      const asked = workAskedSchema.safeParse(answer);
      if (!asked.success) return setWork({ at: "failed", why: whyNot(answer) });
      const { job } = asked.data;
      setWork({ at: "working", id: job, state: "waiting", progress: 0, total: null });
      await follow(job);
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

const whyNot = (answer: unknown): string[] => {
  const error = readError(answer);
  return error ? refusalWords(error.message, error.issues) : ["There is no connection. Nothing was started."];
};

/** What an answer says of the work; null where it says nothing that can be read. */
function standing<S extends z.ZodType>(id: string, answer: unknown, schema: S): LongWork<z.output<S>> | null {
  if (readError(answer)) return { at: "failed", why: whyNot(answer) };
  const read = workStateSchema.safeParse(answer);
  if (!read.success) return null;
  const { state, progress, total, problem, result } = read.data;
  if (state === "cancelled") return { at: "called-off" };
  if (state === "failed") return { at: "failed", why: [problem ?? "It failed."] };
  if (state !== "done") return { at: "working", id, state, progress, total };
  const came = schema.safeParse(result);
  return came.success
    ? { at: "done", id, result: came.data }
    : { at: "failed", why: ["The answer cannot be read on this page. Load the page again."] };
}

async function ask(url: string, init?: RequestInit): Promise<unknown> {
  try {
    const response = await fetch(url, init);
    return await response.json();
  } catch {
    return null;
  }
}
