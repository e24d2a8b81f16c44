import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import type { InfluenceReply, InfluenceRequest } from "~/workers/protocol";

/** Works out what matters most for one finding after the other, in a worker of its own so that the page goes on. */
export class InfluenceWorker {
  private worker: Worker | null = null;
  private job = 0;

  /**
   * @returns null where the finding has no number to follow
   * @throws what the worker could not do; nothing ever where it is ended before
   */
  ask(source: CaseFile, question: string): Promise<InfluenceReport | null> {
    this.worker ??= new Worker(new URL("../workers/analysis.worker.ts", import.meta.url), { type: "module" });
    const [worker, job] = [this.worker, ++this.job];
    return new Promise((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<InfluenceReply>) => {
        if (data.job !== job) return;
        if (data.ok) resolve(data.report);
        else reject(new Error(data.message));
      };
      worker.onerror = () => {
        this.end();
        reject(new Error("The part that works this out could not be loaded."));
      };
      worker.postMessage({ kind: "influence", job, source: toRaw(source), question } satisfies InfluenceRequest);
    });
  }
  end(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
