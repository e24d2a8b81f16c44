/**
 * One worker that is asked again and again: while a request is under way, later ones replace each other, so that the
 * newest comes next. Every reply is taken, also one that is a moment old: under a steady hand on a track there is
 * always something newer.
 * @param open      makes the worker when it is first needed, or needed again
 * @param taken     takes a reply
 * @param broken    told in words when the worker failed
 * @param patience  a worker that has not answered for this long is ended when something newer waits, in ms; a request
 *                  may have less of it
 * @param onTheWay  takes what is told before the reply; true when it was no reply yet
 */
export function newestFirst<Request, Reply>(
  open: () => Worker,
  taken: (reply: Reply) => void,
  broken: (message: string) => void,
  patience: number,
  onTheWay: (told: Reply) => boolean = () => false,
) {
  let worker: Worker | null = null;
  let busySince: number | null = null;
  let waiting: Request | null = null;
  let allowed = patience;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function end(): void {
    clearTimeout(timer);
    worker?.terminate();
    worker = null;
    busySince = null;
  }
  function started(): Worker {
    const made = open();
    made.onmessage = ({ data }: MessageEvent<Reply>) => {
      if (onTheWay(data)) return;
      busySince = null;
      taken(data);
      next();
    };
    made.onerror = (event) => {
      end();
      broken(event.message || "The calculation stopped.");
    };
    return made;
  }
  function next(): void {
    clearTimeout(timer);
    if (waiting === null) return;
    if (busySince !== null) {
      const left = allowed - (performance.now() - busySince);
      if (left > 0) {
        timer = setTimeout(next, left);
        return;
      }
      end();
    }
    worker ??= started();
    busySince = performance.now();
    worker.postMessage(waiting);
    waiting = null;
  }
  return {
    ask: (request: Request, within = patience) => {
      waiting = request;
      allowed = within;
      next();
    },
    isWaiting: () => waiting !== null,
    isOpen: () => worker !== null,
    /** Ends the worker and forgets what waits. */
    end: () => {
      waiting = null;
      end();
    },
  };
}
