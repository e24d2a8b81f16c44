import { parentPort, workerData } from "node:worker_threads";
import loadHighs from "highs";
import { buildModel, type CaseFile } from "#core/model";
import { programOf, compiledResult } from "#core/plan";
import { solveCompiled } from "#shared/compiledPlan";
import { fileURLToPath } from "node:url";

/** A plan worked out beside the server's own thread: the solver blocks while it works. Ends with the thread. */
const { source, seconds } = workerData as { source: CaseFile; seconds: number };
const send = (line: object) => parentPort!.postMessage(line);
try {
  const { program, errors } = programOf(
    source.plan!,
    buildModel({ ...source, functions: [], questions: [] }).names,
    source.title,
  );
  if (!program) send({ message: errors.map((e) => e.message).join(" ") });
  else {
    const highs = await loadHighs({ locateFile: () => fileURLToPath(new URL("./highs.wasm", import.meta.url)) });
    send({
      result: compiledResult(
        source.plan!,
        program,
        solveCompiled(highs, program, { seconds, progress: (progress) => send({ progress }) }),
      ),
    });
  }
} catch (failure) {
  console.error("a plan could not be worked out", failure);
  send({ message: "The plan could not be worked out on the server." });
}
