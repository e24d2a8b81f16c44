export interface NewestFirstSetup<Reply> {
  /** makes the worker when it is first needed, or needed again */
  readonly open: () => Worker;
  readonly taken: (reply: Reply) => void;
  /** told in words when the worker failed */
  readonly broken: (message: string) => void;
  /** a worker that has not answered for this long is ended when something newer waits, in ms */
  readonly patience: number;
  /** takes what is told before the reply; true when it was no reply yet */
  readonly onTheWay?: (told: Reply) => boolean;
}

/**
 * One worker that is asked again and again: while a request is under way, later ones replace each other, so that the
 * newest comes next. Every reply is taken, also one that is a moment old: under a steady hand on a track there is
 * always something newer.
 */
export class NewestFirst<Request, Reply> {
  private worker: Worker | null = null;
  private busySince: number | null = null;
  private waiting: Request | null = null;
  private allowed: number;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly setup: NewestFirstSetup<Reply>) {
    this.allowed = setup.patience;
  }
  /** @param within  patience with what is under way, if it is to be another than usual, in ms */
  ask(request: Request, within = this.setup.patience): void {
    this.waiting = request;
    this.allowed = within;
    this.next();
  }
  isWaiting(): boolean {
    return this.waiting !== null;
  }
  isOpen(): boolean {
    return this.worker !== null;
  }
  /** Ends the worker and forgets what waits. */
  end(): void {
    this.waiting = null;
    this.close();
  }

  private next(): void {
    clearTimeout(this.timer);
    if (this.waiting === null) return;
    if (this.busySince !== null) {
      const left = this.allowed - (performance.now() - this.busySince);
      if (left > 0) {
        this.timer = setTimeout(() => this.next(), left);
        return;
      }
      this.close();
    }
    this.worker ??= this.opened();
    this.busySince = performance.now();
    this.worker.postMessage(this.waiting);
    this.waiting = null;
  }
  private opened(): Worker {
    const { open, taken, broken, onTheWay } = this.setup;
    const made = open();
    made.onmessage = ({ data }: MessageEvent<Reply>) => {
      if (onTheWay?.(data)) return;
      this.busySince = null;
      taken(data);
      this.next();
    };
    made.onerror = (event) => {
      this.close();
      broken(event.message || "The calculation stopped.");
    };
    return made;
  }
  private close(): void {
    clearTimeout(this.timer);
    this.worker?.terminate();
    this.worker = null;
    this.busySince = null;
  }
}
