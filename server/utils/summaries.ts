import { Worker } from "node:worker_threads";
import type { CaseFile } from "#core/model";
import type { CaseSummary } from "./caseSummary";

/** What one case may take, in ms and MB: beyond, it has no summary. */
const PATIENCE = 5000;
const MEMORY = 512;
/** A thread with nothing to do is ended after this, in ms. */
const REST = 30_000;

export const NO_SUMMARY: CaseSummary = { says: "", curves: [], words: "" };

interface Job {
  readonly document: CaseFile;
  readonly done: (summary: CaseSummary) => void;
}
export type Open = () => Pick<Worker, "on" | "postMessage" | "terminate" | "unref">;

/**
 * Summaries worked out in a thread, one after the other: keeping a case never waits for them, and a case that takes too
 * long or too much room costs nothing but its own summary. Of a case that changes again before its turn only the newest
 * version is looked at.
 */
export class Summaries {
  private readonly waiting = new Map<string, Job>();
  private thread: ReturnType<Open> | null = null;
  private current: Job | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly open: Open,
    private readonly patience = PATIENCE,
    private readonly tell: (failure: unknown) => void = () => {},
  ) {}

  /** @param done  gets the summary, an empty one where there is none */
  add(id: string, document: CaseFile, done: (summary: CaseSummary) => void): void {
    this.waiting.delete(id);
    this.waiting.set(id, { document, done });
    this.next();
  }

  private next(): void {
    if (this.current) return;
    clearTimeout(this.timer);
    const [first] = this.waiting;
    if (!first) {
      this.later(REST, () => this.end());
      return;
    }
    const [id, job] = first;
    this.waiting.delete(id);
    this.current = job;
    this.thread ??= this.started();
    this.thread.postMessage(job.document);
    this.later(this.patience, () => this.failed());
  }
  private started(): ReturnType<Open> {
    const thread = this.open();
    thread.unref();
    const isPresent = () => this.thread === thread;
    thread.on("message", (summary: CaseSummary) => {
      if (isPresent()) this.finish(summary);
    });
    thread.on("error", (failure: unknown) => {
      this.tell(failure);
      if (isPresent()) this.failed();
    });
    return thread;
  }
  private failed(): void {
    this.end();
    this.finish(NO_SUMMARY);
  }
  private finish(summary: CaseSummary): void {
    const job = this.current;
    this.current = null;
    job?.done(summary);
    this.next();
  }
  /** Ends the thread; what waits is worked out when the server starts again. */
  end(): void {
    const thread = this.thread;
    this.thread = null;
    void thread?.terminate();
  }
  private later(after: number, work: () => void): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(work, after);
    this.timer.unref();
  }
}

export const openSummaryThread = (file: string): Open => {
  return () => new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: MEMORY } });
};
