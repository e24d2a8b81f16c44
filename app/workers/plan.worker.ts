import { buildModel } from "#core/model";
import { planPicture, programOf, sliceOf, solvePlan } from "#core/plan";
import type { PlanReply, PlanRequest } from "./planProtocol";

function answer({ job, source, slice }: PlanRequest): PlanReply {
  const plan = source.plan!;
  const { names } = buildModel({ ...source, functions: [], questions: [] });
  const reading = solvePlan(plan, names);
  // A slice goes through the best point of this very answer, where there is one.
  const at = (reading.result?.whole ?? reading.result?.best[0])?.at ?? slice?.at ?? [];
  return {
    job,
    ok: true,
    source,
    reading,
    picture: reading.result && planPicture(plan, names, reading.result),
    program: programOf(plan, names, source.title).program,
    slice: slice && at.length === plan.variables.length ? sliceOf(plan, names, at, slice.pair) : null,
  };
}

self.onmessage = ({ data }: MessageEvent<PlanRequest>) => {
  let reply: PlanReply;
  try {
    reply = answer(data);
  } catch (failure) {
    reply = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) };
  }
  self.postMessage(reply);
};
