import type { Ref, ShallowRef } from "vue";
import type { CaseFile } from "#core/model";

/** What is dragged waits for its answers no longer than this; then the number follows the hand alone, in ms. */
const LATEST = 500;

/**
 * The case as the page should show it: what is typed stands at once; while a given is dragged it is the case that the
 * answers on the page belong to, so that both change in one frame.
 */
export class CaseShown {
  readonly of: ShallowRef<CaseFile | null>;
  private shownJob = 0;
  private lastJob = 0;
  private late: ReturnType<typeof setTimeout> | undefined;
  /** The cases that were asked about and are not answered yet. */
  private readonly asked = new Map<number, CaseFile>();

  constructor(
    private readonly source: Readonly<Ref<CaseFile | null>>,
    private readonly isDragged: () => boolean,
  ) {
    this.of = shallowRef(source.value);
  }
  /** The case as it is now is asked about. @param mayWait  answers to it may come soon */
  asks(job: number, mayWait: boolean): void {
    this.lastJob = job;
    if (this.isDragged() && mayWait) this.late ??= setTimeout(() => this.catchUp(), LATEST);
    else this.catchUp();
    if (this.source.value) this.asked.set(job, this.source.value);
  }
  answered(job: number): void {
    const answered = this.asked.get(job);
    for (const earlier of this.asked.keys()) if (earlier <= job) this.asked.delete(earlier);
    if (!this.isDragged()) this.catchUp();
    // A case that was shown without waiting for its answers is not taken back.
    else if (answered && job >= this.shownJob) {
      clearTimeout(this.late);
      this.late = this.asked.size > 0 ? setTimeout(() => this.catchUp(), LATEST) : undefined;
      this.of.value = answered;
      this.shownJob = job;
    }
  }
  /** No answer comes any more. */
  stop(): void {
    this.asked.clear();
    this.catchUp();
  }
  end(): void {
    clearTimeout(this.late);
  }
  private catchUp(): void {
    clearTimeout(this.late);
    this.late = undefined;
    this.of.value = this.source.value;
    this.shownJob = this.lastJob;
  }
}
