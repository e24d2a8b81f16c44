import type { AskedReply } from "./protocol";

/** Answers each question of a page with what `answer` makes of it, or with why it could not be made. */
export function answering<Asked extends { readonly job: number }, Told>(
  answer: (asked: Asked) => Told | Promise<Told>,
): void {
  self.onmessage = async ({ data }: MessageEvent<Asked>) => {
    let reply: AskedReply<Told>;
    try {
      reply = { job: data.job, ok: true, report: await answer(data) };
    } catch (failure) {
      reply = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) };
    }
    self.postMessage(reply);
  };
}
