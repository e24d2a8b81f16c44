import { rankedCards, roundingLines } from "#core/choice";
import { readTable } from "#core/data";
import { cellsOfFile, cellsOfText } from "~/utils/tableFiles";
import type { DataReply, DataRequest } from "./dataProtocol";

const send = (reply: DataReply) => self.postMessage(reply);

async function answer(data: DataRequest): Promise<DataReply> {
  const { kind, job } = data;
  const progress = (done: number, all: number) => send({ kind: "progress", job, done, all });
  if (kind === "read") {
    const cells = data.file ? await cellsOfFile(data.file) : cellsOfText(data.text ?? "");
    return { kind, job, result: readTable(cells, progress) };
  }
  if (kind === "rounding") return { kind, job, lines: roundingLines(data.source, data.name, data.digits) };
  const start = performance.now();
  return { kind, job, ...rankedCards(data, progress), ms: performance.now() - start };
}

self.onmessage = ({ data }: MessageEvent<DataRequest>) => {
  answer(data).then(send, (failure: unknown) =>
    send({ kind: "failed", job: data.job, message: failure instanceof Error ? failure.message : String(failure) }),
  );
};
