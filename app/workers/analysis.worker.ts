import { analyse, type Analysis, sentenceOf } from "#core/question";
import type { CaseFile } from "#core/model";
import { deskOf, influenceOn } from "#core/desk";
import { comparedCases } from "#core/merge";
import { picture } from "#core/graph";
import { slipsOf } from "#core/slips";
import type { AnalysisReply, AnalysisRequest, CompareReply, InfluenceReply, WorkerRequest } from "./protocol";

/** The ghost seldom changes while a given is dragged; it is worked out once. */
let heldGhost: { source: string; analysis: Analysis } | null = null;
function ghostOf(source: CaseFile | null) {
  if (!source) return null;
  const key = JSON.stringify(source);
  if (heldGhost?.source !== key) heldGhost = { source: key, analysis: analyse(source) };
  return heldGhost.analysis;
}

/** Work that takes long shows what it has this often, in ms, */
const PART_EVERY = 400;
/** and after this many times what showing it took. */
const PART_REST = 8;

/** What was looked at longer is not worked out again only because the graph is moved. */
let heldLong: { key: string; analysis: Analysis } | null = null;
function analysisOf(request: AnalysisRequest): Analysis {
  const { job, source, longer } = request;
  let [shownAt, took] = [performance.now(), 0];
  const work = () =>
    analyse(source, {
      longer,
      before: (progress, soFar) => {
        self.postMessage({ job, progress } satisfies AnalysisReply);
        const now = performance.now();
        if (now - shownAt < Math.max(PART_EVERY, PART_REST * took)) return;
        self.postMessage(reply(request, soFar(), true, now));
        shownAt = performance.now();
        took = shownAt - now;
      },
    });
  if (longer.length === 0) return work();
  const key = JSON.stringify([longer, source]);
  if (heldLong?.key !== key) heldLong = { key, analysis: work() };
  return heldLong.analysis;
}

function analysed(data: AnalysisRequest): AnalysisReply {
  const start = performance.now();
  return reply(data, analysisOf(data), false, start);
}
function reply(data: AnalysisRequest, analysis: Analysis, isPart: boolean, start: number): AnalysisReply {
  const ghost = ghostOf(data.ghost);
  return {
    job: data.job,
    ok: true,
    isPart,
    desk: deskOf(analysis, data.worked),
    picture: picture(analysis, data.view, ghost?.model ?? null),
    slips: slipsOf(analysis),
    ghost: ghost
      ? ghost.findings.filter((f) => f.status !== "error").map((f) => ({ id: f.id, says: sentenceOf(f, ghost.model) }))
      : [],
    ms: performance.now() - start,
  };
}

function answered(data: WorkerRequest): AnalysisReply | InfluenceReply | CompareReply {
  switch (data.kind) {
    case "analysis":
      return analysed(data);
    case "influence":
      return { job: data.job, ok: true, report: influenceOn(data.source, data.question) };
    case "compare":
      return { job: data.job, ok: true, report: comparedCases(data.before, data.after) };
  }
}

self.onmessage = ({ data }: MessageEvent<WorkerRequest>) => {
  let result: AnalysisReply | InfluenceReply | CompareReply;
  try {
    result = answered(data);
  } catch (failure) {
    result = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) };
  }
  self.postMessage(result);
};
