import type { Progress } from "#core/question";

/** Work that takes no longer than this is not talked about, in ms. */
const CALM = 400;

/** How far work is, told only once it has taken a while, also when its first question takes all the time. */
export class CalmProgress {
  readonly shown = shallowRef<Progress | null>(null);
  private heard: Progress | null = null;
  private startedAt = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;

  begin(): void {
    this.startedAt = performance.now();
  }
  hear(progress: Progress): void {
    this.heard = progress;
    this.timer ??= setTimeout(() => this.tell(), CALM - (performance.now() - this.startedAt));
  }
  /** The work has ended, or does not matter any more. */
  hush(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.shown.value = null;
  }
  private tell(): void {
    this.timer = undefined;
    this.shown.value = this.heard;
  }
}
