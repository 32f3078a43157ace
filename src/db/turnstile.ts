/** Too many already do this; nothing was done. */
export class Busy extends Error {
  constructor(message = "This district is too busy just now. Try again in a moment.") {
    super(message);
    this.name = "Busy";
  }
}

/** Lets only so many of a kind through at once; the others wait in a row, and give up after a time. */
export class Turnstile {
  private readonly inside = new Map<string, number>();
  private readonly waiting = new Map<string, (() => void)[]>();
  private readonly most: number;
  private readonly waitMs: number;
  private readonly mostWaiting: number;

  /** @param most how many of one kind at once  @param waitMs how long one waits  @param mostWaiting how long the row of one kind may get */
  constructor(most: number, waitMs: number, mostWaiting = 200) {
    this.most = most;
    this.waitMs = waitMs;
    this.mostWaiting = mostWaiting;
  }

  /** @throws {Busy} where its turn does not come in time */
  async pass<T>(kind: string, work: () => Promise<T>): Promise<T> {
    await this.enter(kind);
    try {
      return await work();
    } finally {
      this.leave(kind);
    }
  }

  private enter(kind: string): Promise<void> {
    const inside = this.inside.get(kind) ?? 0;
    if (inside < this.most) {
      this.inside.set(kind, inside + 1);
      return Promise.resolve();
    }
    const row = this.waiting.get(kind) ?? [];
    if (row.length >= this.mostWaiting) return Promise.reject(new Busy());
    this.waiting.set(kind, row);
    return new Promise((resolve, reject) => {
      const turn = () => {
        clearTimeout(timer);
        resolve();
      };
      const timer = setTimeout(() => {
        row.splice(row.indexOf(turn), 1);
        reject(new Busy());
      }, this.waitMs);
      row.push(turn);
    });
  }

  /** Whoever is next in the row takes the place that comes free. */
  private leave(kind: string): void {
    const next = this.waiting.get(kind)?.shift();
    if (next) {
      next();
      return;
    }
    const left = (this.inside.get(kind) ?? 1) - 1;
    if (left > 0) this.inside.set(kind, left);
    else {
      this.inside.delete(kind);
      this.waiting.delete(kind);
    }
  }
}
