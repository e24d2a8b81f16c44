import { Worker } from "node:worker_threads";
import type { CaseFile } from "#core/model";

/** Plans worked out at the same time; more are refused, so that keeping cases never waits for them. */
const MOST = 2;
let running = 0;

const file = (): string =>
  threadFile("planThread") ?? refuse(503, "Plans are worked out on the built server only; run `npm start`.");

/**
 * Starts a plan; every line it tells is handed on, the last being its result or a message. The returned function ends
 * it.
 */
export function startPlan(
  source: CaseFile,
  seconds: number,
  tell: (line: string) => void,
  done: () => void,
): () => void {
  if (running >= MOST) refuse(503, "The server is working on other plans; try again in a minute.");
  const worker = new Worker(file(), { workerData: { source, seconds } });
  running++;
  let over = false;
  const end = () => {
    if (over) return;
    over = true;
    running--;
    void worker.terminate();
    done();
  };
  worker.on("message", (line: object) => {
    tell(JSON.stringify(line));
    if (!("progress" in line)) end();
  });
  worker.on("error", (failure) => {
    useLog().warn({ err: failure }, "a plan ended");
    tell(JSON.stringify({ message: "The plan could not be worked out on the server." }));
    end();
  });
  worker.on("exit", end);
  return end;
}
