import { afterEach, describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";
import type { PlanProgress } from "#shared/compiledPlan";
import { planOnServer } from "../../app/utils/planApi";

const source: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "T",
  plan: { variables: [{ name: "x" }], constraints: [] },
};
/** A server that sends these pieces, wherever they are cut. */
function serves(pieces: readonly string[], status = 200): { asked: { body: unknown }[] } {
  const asked: { body: unknown }[] = [];
  vi.stubGlobal("fetch", async (_path: string, init: { body: string; signal: AbortSignal }) => {
    asked.push({ body: JSON.parse(init.body) });
    if (init.signal.aborted) throw new DOMException("aborted", "AbortError");
    const bytes = pieces.map((p) => new TextEncoder().encode(p));
    return new Response(
      new ReadableStream({
        pull(c) {
          const next = bytes.shift();
          if (next) c.enqueue(next);
          else c.close();
        },
      }),
      { status },
    );
  });
  return { asked };
}
const run = (told: PlanProgress[] = [], signal = new AbortController().signal) =>
  planOnServer(source, 60, signal, (p) => told.push(p));
afterEach(() => vi.unstubAllGlobals());

describe("a plan worked out on the server", () => {
  const progress = (best: number) => JSON.stringify({ progress: { best, bound: 9, seconds: 1 } });
  const result = JSON.stringify({ result: { status: "optimal", compiled: true } });
  it("tells its progress line by line, wherever the lines are cut, and ends with the result", async () => {
    const told: PlanProgress[] = [];
    const all = `${progress(1)}\n${progress(2)}\n${result}\n`;
    const { asked } = serves([all.slice(0, 7), all.slice(7, 50), all.slice(50, 51), all.slice(51)]);
    expect(await run(told)).toMatchObject({ status: "optimal" });
    expect(told.map((p) => p.best)).toEqual([1, 2]);
    expect(asked).toEqual([{ body: { case: source, seconds: 60 } }]);
  });
  it("a message is an error in its words", async () => {
    serves([`${JSON.stringify({ message: "The plan could not be worked out on the server." })}\n`]);
    await expect(run()).rejects.toThrow("The plan could not be worked out on the server.");
  });
  it("a refusal too", async () => {
    serves([JSON.stringify({ message: "The server is working on other plans; try again in a minute." })], 503);
    await expect(run()).rejects.toThrow("other plans");
  });
  it("an end without a result is said", async () => {
    serves([`${progress(1)}\n`]);
    await expect(run()).rejects.toThrow("ended before the plan was worked out");
  });
  it("no server is said", async () => {
    vi.stubGlobal("fetch", async () => {
      throw new TypeError("no answer");
    });
    await expect(run()).rejects.toThrow("The server does not answer");
  });
  it("a cancelled request ends as cancelled", async () => {
    serves([result]);
    const c = new AbortController();
    c.abort();
    await expect(run([], c.signal)).rejects.toThrow("aborted");
  });
});
