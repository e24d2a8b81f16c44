import type { CaseFile } from "#core/model";
import type { PlanResult } from "#core/plan";
import type { PlanProgress } from "#shared/compiledPlan";
import { planLineSchema, refusalSchema } from "#shared/schemas/wire";

/**
 * Has a plan worked out on the server. Ending the signal ends the work there.
 * @throws Error in plain words
 */
export async function planOnServer(
  source: CaseFile,
  seconds: number,
  signal: AbortSignal,
  progress: (p: PlanProgress) => void,
): Promise<PlanResult> {
  const answer = await fetch("/api/plan", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ case: source, seconds }),
    signal,
  }).catch((failure: unknown) => {
    if (signal.aborted) throw failure;
    return null;
  });
  if (!answer?.body) throw new Error("The server does not answer; the best found here still stands.");
  if (!answer.ok)
    throw new Error(
      refusalSchema.safeParse(await answer.json().catch(() => null)).data?.message ??
        "The server could not work the plan out.",
    );
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    rest += value ?? "";
    const lines = rest.split("\n");
    rest = lines.pop()!;
    for (const text of lines.filter((l) => l.trim())) {
      const line = lineOf(text);
      if ("progress" in line) progress(line.progress);
      else if ("result" in line) return line.result;
      else throw new Error(line.message);
    }
    if (done) throw new Error("The server ended before the plan was worked out.");
  }
}

function lineOf(text: string) {
  try {
    return planLineSchema.parse(JSON.parse(text));
  } catch {
    throw new Error("The server said something about the plan that this page does not understand.");
  }
}
