import loadHighs from "highs";
import wasmAddress from "highs/runtime?url";
import { compiledResult } from "#core/plan";
import { solveCompiled } from "#shared/compiledPlan";
import { programFile, readProgram } from "#shared/planFile";
import type { SolverReply, SolverRequest } from "./planProtocol";

const send = (reply: SolverReply) => self.postMessage(reply);
/** The solver ships with the application and is loaded with the first question to it. */
const solver = loadHighs({ locateFile: () => wasmAddress });

async function answer(data: SolverRequest): Promise<SolverReply> {
  const { job } = data;
  const highs = await solver;
  if (data.kind === "write") return { kind: "written", job, text: programFile(highs, data.program, data.format) };
  if (data.kind === "read") {
    const { program, notes } = readProgram(highs, data.text, data.format, new Set(data.reserved));
    return { kind: "read", job, program, notes };
  }
  const found = solveCompiled(highs, data.program, {
    seconds: data.seconds,
    progress: (progress) => send({ kind: "progress", job, progress }),
  });
  return { kind: "solved", job, result: compiledResult(data.plan, data.program, found) };
}

self.onmessage = ({ data }: MessageEvent<SolverRequest>) => {
  answer(data).then(send, (failure: unknown) =>
    send({ kind: "failed", job: data.job, message: failure instanceof Error ? failure.message : String(failure) }),
  );
};
