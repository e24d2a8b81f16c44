import { edited } from "#core/edit";
import { picture } from "#core/graph";
import { analyse } from "#core/question";
import { offersOf } from "#core/reading";
import type { ReadingReply, ReadingRequest } from "./readingProtocol";

function answered(data: ReadingRequest): Extract<ReadingReply, { ok: true }>["report"] {
  if (data.kind === "read") return offersOf(data.source);
  const offers = data.offers.map((o) => o.offered);
  return picture(analyse(edited(data.source, { kind: "takeOffers", offers })), {}, null);
}

self.onmessage = ({ data }: MessageEvent<ReadingRequest>) => {
  let result: ReadingReply;
  try {
    result = { job: data.job, ok: true, report: answered(data) };
  } catch (failure) {
    result = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) };
  }
  self.postMessage(result);
};
