import type { AskedReply } from "~/workers/protocol";
import { analysisWorker } from "./analysisWorker";

type WithoutJob<T> = T extends unknown ? Omit<T, "job"> : never;

/** Asks a worker of its own one thing after the other, so that the page goes on; a new question ends the old wait. */
export abstract class AskedWorker<Asked extends { readonly job: number }, Told> {
  private worker: Worker | null = null;
  private job = 0;

  /** @throws what the worker could not do; nothing ever where it is ended before */
  protected request(asked: WithoutJob<Asked>): Promise<Told> {
    this.worker ??= this.open();
    const [worker, job] = [this.worker, ++this.job];
    return new Promise((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<AskedReply<Told>>) => {
        if (data.job !== job) return;
        if (data.ok) resolve(data.report);
        else reject(new Error(data.message));
      };
      worker.onerror = () => {
        this.end();
        reject(new Error("The part that works this out could not be loaded."));
      };
      worker.postMessage({ ...asked, job });
    });
  }
  protected open(): Worker {
    return analysisWorker();
  }
  end(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
