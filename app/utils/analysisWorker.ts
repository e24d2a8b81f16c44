/** A worker that works a case out, or a part of one; its script is built, and loaded, once for all who ask it. */
export const analysisWorker = (): Worker =>
  new Worker(new URL("../workers/analysis.worker.ts", import.meta.url), { type: "module" });
