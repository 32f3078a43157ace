import type { ChildProcess } from "node:child_process";
import { join } from "node:path";
import { InputError } from "@/core/errors";
import type { Case, Identification } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import { Busy } from "@/db/turnstile";
import { perProcess } from "../platform/per-process";
import type { judgeFinding } from "./judge-finding";

export interface Judged {
  identification: Identification;
  columns: ReturnType<typeof judgeFinding>["columns"];
}
interface Answer {
  id: number;
  judged?: Judged;
  input?: { code: string; field: string; got: unknown; wanted: string };
  fault?: string;
}

/** A case takes a twentieth of a second; one that takes this long will not end. */
const MOST_MS = 15_000;
const MOST_WAITING = 100;

const ANEW = () => new Busy("The engine is restarting. Try again in a moment.");

/** The engine beside the web process: whoever saves a finding waits for it, and nobody else does. */
class JudgeProcess {
  private child: ChildProcess | null = null;
  private readonly open = new Map<
    number,
    { resolve: (j: Judged) => void; reject: (e: Error) => void; timer: NodeJS.Timeout }
  >();
  private last = 0;

  start(): void {
    this.started();
  }

  judge(amendments: Amendment[], given: Case): Promise<Judged> {
    if (this.open.size >= MOST_WAITING)
      return Promise.reject(new Busy("Too many findings come in just now. Try again in a moment."));
    const id = ++this.last;
    return new Promise((resolve, reject) => {
      const timer = setTimeout(
        () => this.end(new Busy("That takes too long just now. Try again in a moment.")),
        MOST_MS,
      );
      this.open.set(id, { resolve, reject, timer });
      this.started().send({ id, amendments, given });
    });
  }

  private started(): ChildProcess {
    if (this.child) return this.child;
    // Taken from the process and named by a path, so that no bundler follows it: the child runs the readable file.
    const { fork } = process.getBuiltinModule("node:child_process");
    const child = fork(join(process.cwd(), "src", "server", "judge", "judge-child.ts"), {
      execArgv: ["--max-old-space-size=700", "--import", "tsx"],
      // It needs no address and no secret.
      env: { PATH: process.env.PATH ?? "", NODE_ENV: process.env.NODE_ENV ?? "production" },
      serialization: "advanced",
      stdio: ["ignore", "ignore", "inherit", "ipc"],
    });
    child.unref();
    child.channel?.unref();
    child.on("message", (answer: Answer) => this.take(answer));
    for (const event of ["error", "exit"]) child.on(event, () => child === this.child && this.end(ANEW()));
    this.child = child;
    return child;
  }

  private take({ id, judged, input, fault }: Answer): void {
    const waiting = this.open.get(id);
    if (!waiting) return;
    this.open.delete(id);
    clearTimeout(waiting.timer);
    if (judged) waiting.resolve(judged);
    else if (input) waiting.reject(new InputError(input.code, input.field, input.got, input.wanted));
    else waiting.reject(new Error(`the engine failed: ${fault}`));
  }

  /** Whoever waits is told; the next case starts a new child. */
  private end(error: Error): void {
    const gone = this.child;
    this.child = null;
    for (const { reject, timer } of this.open.values()) {
      clearTimeout(timer);
      reject(error);
    }
    this.open.clear();
    gone?.removeAllListeners("message");
    gone?.kill("SIGKILL");
  }
}

const apart = () => perProcess("judge", () => new JudgeProcess());

/** Starts the child ahead of the first finding, which else would wait for the flora to be read. */
export const startJudge = (): void => apart().start();

/** The engine's word on a case, from a process of its own; no connection or lock is held meanwhile. */
export const judgeApart = (amendments: Amendment[], given: Case): Promise<Judged> => apart().judge(amendments, given);
