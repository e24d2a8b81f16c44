import { readCase } from "#shared/schemas/case";

/** Longest time a plan may take here, in s. */
const LONGEST = 300;

/**
 * Works out the plan of a case with the compiled solver: one JSON object a line, `progress` until a `result` or a
 * `message`. Ends when the caller leaves.
 */
export default defineEventHandler(async (event) => {
  const body = await readJson(event);
  if (typeof body !== "object" || body === null || !("case" in body)) refuse(400, "The request needs a `case`.");
  const { case: document, seconds = 60, ...rest } = body as { case: unknown; seconds?: unknown };
  const unknown = Object.keys(rest);
  if (unknown.length > 0) refuse(400, `The key \`${unknown[0]}\` is not known here.`);
  if (typeof seconds !== "number" || !(seconds > 0 && seconds <= LONGEST))
    refuse(400, `\`seconds\` is a number from 0 to ${LONGEST}.`);
  const read = readCase(document);
  if (!read.ok) refuseCase(read.errors);
  if (!read.case.plan) refuse(400, "The case has no plan.");
  const { res } = event.node;
  let open = true;
  const end = startPlan(
    read.case,
    seconds,
    (line) => {
      if (open) res.write(`${line}\n`);
    },
    () => {
      if (open) {
        open = false;
        res.end();
      }
    },
  );
  res.on("close", () => {
    open = false;
    end();
  });
  res.setHeader("content-type", "application/x-ndjson; charset=utf-8");
  res.setHeader("cache-control", "no-store");
  res.flushHeaders();
  event._handled = true;
});
