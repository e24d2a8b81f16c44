import { analyse, type CaseFile } from "#core/model";
import { sentenceOf } from "#core/explain";
import { deskOf, influenceOn } from "#core/desk";
import { picture } from "#core/graph";
import { slipsOf } from "#core/slips";
import type { AnalysisReply, AnalysisRequest, InfluenceReply, WorkerRequest } from "./protocol";

/** The ghost seldom changes while a given is dragged; it is worked out once. */
let heldGhost: { source: string; analysis: ReturnType<typeof analyse> } | null = null;
function ghostOf(source: CaseFile | null) {
  if (!source) return null;
  const key = JSON.stringify(source);
  if (heldGhost?.source !== key) heldGhost = { source: key, analysis: analyse(source) };
  return heldGhost.analysis;
}

/** What was looked at longer is not worked out again only because the graph is moved. */
let heldLong: { key: string; analysis: ReturnType<typeof analyse> } | null = null;
function analysisOf({ job, source, longer }: AnalysisRequest) {
  const work = () =>
    analyse(source, {
      longer,
      before: (done, of, id) => self.postMessage({ job, progress: { done, of, id } } satisfies AnalysisReply),
    });
  if (longer.length === 0) return work();
  const key = JSON.stringify([longer, source]);
  if (heldLong?.key !== key) heldLong = { key, analysis: work() };
  return heldLong.analysis;
}

function analysed(data: AnalysisRequest): AnalysisReply {
  const start = performance.now();
  const analysis = analysisOf(data);
  const ghost = ghostOf(data.ghost);
  return {
    job: data.job,
    ok: true,
    desk: deskOf(analysis),
    picture: picture(analysis, data.view, ghost?.model ?? null),
    slips: slipsOf(analysis),
    ghost: ghost
      ? ghost.findings.filter((f) => f.status !== "error").map((f) => ({ id: f.id, says: sentenceOf(f, ghost.model) }))
      : [],
    ms: performance.now() - start,
  };
}

self.onmessage = ({ data }: MessageEvent<WorkerRequest>) => {
  let reply: AnalysisReply | InfluenceReply;
  try {
    reply =
      data.kind === "analysis"
        ? analysed(data)
        : { job: data.job, ok: true, report: influenceOn(data.source, data.question) };
  } catch (failure) {
    reply = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) };
  }
  self.postMessage(reply);
};
